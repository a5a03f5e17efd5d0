export { kept } from './kept';
export { Recent } from './recent';
