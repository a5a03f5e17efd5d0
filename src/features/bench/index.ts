export { Bench } from './Bench';
export { Suspects } from './Suspects';
