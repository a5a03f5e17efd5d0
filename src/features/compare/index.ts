export { CompareDesk } from './CompareDesk';
