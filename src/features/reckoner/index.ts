export { Reckoner } from './Reckoner';
