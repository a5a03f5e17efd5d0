export { Shelf } from './Shelf';
export { Labels } from './Labels';
