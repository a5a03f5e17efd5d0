export { Decision, Suspects } from './Suspects';
