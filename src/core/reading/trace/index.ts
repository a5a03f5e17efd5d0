export { classifyTrace } from './classifyTrace';
export { type After, CreepWatch } from './creep';
export { SettleWatch } from './settling';
export { type ClassifiedTrace, type Sample, type TraceShape } from './trace';
