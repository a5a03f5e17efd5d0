export { Queue } from './Queue';
