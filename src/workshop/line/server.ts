export { layoutLine } from './layout';
