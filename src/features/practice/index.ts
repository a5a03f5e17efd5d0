export { Hunt } from './Hunt';
export { Practice } from './Practice';
