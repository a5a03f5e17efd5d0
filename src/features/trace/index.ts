export { JobTrace } from './JobTrace';
export { OwnTrace } from './OwnTrace';
