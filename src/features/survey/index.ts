export { Survey } from './Survey';
