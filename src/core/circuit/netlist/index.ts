export { checkCircuit } from './checkCircuit';
export {
  type Analysis,
  type Bipolar,
  type Circuit,
  type Coupling,
  type CurrentControlled,
  type Diode,
  type Element,
  type Model,
  type Mosfet,
  type Passive,
  type Source,
  type VoltageControlled,
  type Wave,
} from './circuit';
export { netlistRefusal } from './netlistRefusal';
export { longestNetlist, readNetlist } from './readNetlist';
export { dried, isElectrolytic, scaled, turnable } from './variation';
export { writeNetlist } from './writeNetlist';
