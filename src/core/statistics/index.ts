export { mean, median, quantile, quantileSorted, standardDeviation } from 'simple-statistics';
export { bitsOf } from './bits';
export { drawn } from './drawn';
export { joined } from './joined';
export { lineThrough } from './lineThrough';
export { gaussian, type Random, seeded } from './random';
export { sum, sumOf } from './sum';
