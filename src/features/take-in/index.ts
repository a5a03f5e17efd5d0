export { TakeIn } from './TakeIn';
