export { ShapePage } from './ShapePage';
