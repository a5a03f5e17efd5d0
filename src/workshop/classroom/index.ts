export { type Standing } from './rooms';
