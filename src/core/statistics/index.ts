export { gaussian, seeded, type Random } from './random';
export { median } from './median';
