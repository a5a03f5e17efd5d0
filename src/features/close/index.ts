export { Close } from './Close';
