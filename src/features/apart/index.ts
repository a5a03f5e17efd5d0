export { Apart } from './Apart';
