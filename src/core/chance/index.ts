export { gaussian, seeded, type Random } from './random';
