export { Parts } from './Parts';
