export { isBehavioural } from './behavioural';
export { Card } from './card';
export { type Capacitance, type CircuitFaultMode, type Device, type Failure, type Places } from './element';
export { probesOf } from './expression';
export { thermalVolts } from './junctions';
export { type Element, kindOf, letters, modelKinds } from './kinds';
export { type Model, type NetlistNote, readModel, temperature } from './model';
export { netlistRefusal } from './netlistRefusal';
export {
  assignments,
  type Line,
  listed,
  logicalLines,
  nodeIn,
  type Scope,
  valueOf,
  wordsOf,
  writtenName,
} from './netlistText';
export { type Source } from './source';
export { nextCorner, sourceAt } from './wave';
