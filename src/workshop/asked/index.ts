export { AskedReading } from './AskedReading';
