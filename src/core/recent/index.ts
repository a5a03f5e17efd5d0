export { Recent } from './recent';
