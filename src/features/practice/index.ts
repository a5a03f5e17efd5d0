export { Practice } from './Practice';
