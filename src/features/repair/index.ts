export { Repair } from './Repair';
