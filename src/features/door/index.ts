export { Enter } from './Enter';
