export { Patterns } from './Patterns';
