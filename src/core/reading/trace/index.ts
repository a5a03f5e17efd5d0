export { classifyTrace } from './classifyTrace';
export { type After, CreepWatch } from './creep';
export { SettleWatch } from './settling';
export { traceText } from './traceText';
export { type ClassifiedTrace, type Sample } from './trace';
