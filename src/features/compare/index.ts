export { CompareScreen } from './CompareScreen';
export { JobCompare } from './JobCompare';
