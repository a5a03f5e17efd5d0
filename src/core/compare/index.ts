export { compareSiblings, type Cell, type ComparedRow, type Comparison } from './divergence';
