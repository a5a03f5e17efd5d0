export { answerFrom } from './answering';
export { hiddenFault } from './hiddenFault';
export { complaintOf, hunt, nameFault, type HuntPolicy } from './hunt';
export { traceKinds, traceOf, type LabelledTrace, type TraceKind } from './traces';
export { calibrationOf, evaluateIn, surely, type WorldResult } from './worlds/evaluate';
export { worldNames, worlds, type WorldName } from './worlds/world';
