export { checkCircuit } from './checkCircuit';
export {
  type Analysis,
  type Bipolar,
  type Circuit,
  type Diode,
  type Element,
  type Model,
  type Mosfet,
  type Passive,
  type Source,
} from './circuit';
export { readNetlist } from './readNetlist';
export { dried, isElectrolytic, scaled, turnable } from './variation';
export { writeNetlist } from './writeNetlist';
