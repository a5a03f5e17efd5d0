export { answerFrom } from './answering';
export { hiddenFault } from './hiddenFault';
export { complaintOf, hunt, nameFault, type Hunt, type HuntOptions, type HuntPolicy, type Naming } from './hunt';
export { traceKinds, traceOf, type LabelledTrace, type TraceKind } from './traces';
