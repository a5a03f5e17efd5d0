export { type Guest } from './admission';
