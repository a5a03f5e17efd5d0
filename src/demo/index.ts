export { seedDemo } from './seed';
