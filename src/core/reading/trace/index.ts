export { classifyTrace } from './classifyTrace';
export { SettleWatch } from './settling';
export { type ClassifiedTrace, type Sample, type TraceShape } from './trace';
