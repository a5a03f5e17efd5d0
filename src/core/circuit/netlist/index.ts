export { checkCircuit, floatingNodes } from './checkCircuit';
export { type Analysis, type Circuit } from './circuit';
export { readNetlist } from './readNetlist';
export { dried, scaled, turnable } from './variation';
export { writeNetlist } from './writeNetlist';
