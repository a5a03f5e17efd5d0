export { type Analysis, type Circuit, type Element } from './circuit';
export { changeFor, faultModes, faultsOf, type CircuitFault, type FaultMode } from './faults';
export { NetlistError } from './netlistError';
export { NoConvergence, operatingPoint, risenPoint } from './operatingPoint';
export { dictionaryOf, rankFaults, type DictionaryEntry, type RankedFault } from './ranking';
export { longestNetlist, readNetlist } from './readNetlist';
export { smallSignal, type Response } from './smallSignal';
export { checkCircuit, System } from './system';
export { transient, type Run } from './transient';
