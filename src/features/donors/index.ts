export { Donors } from './Donors';
