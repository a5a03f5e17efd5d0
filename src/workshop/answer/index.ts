export { answered, type Answered } from './answered';
