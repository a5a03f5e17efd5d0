export { largestBatch, parseBatch, reviveBody, unknownName } from './batch';
export { type BenchState, type TakenReading } from './bench';
export { changesMade, lineText, typedChange } from './changes';
export { lastStanding, standing, type LogEntry, type Standing } from './entry';
export { type BodyNamed, type LogBody } from './kinds';
export { isLow, provenBelow, storeReading } from './kinds/store';
export { workedBy, type WorkedBy } from './kinds/worked';
export { replay } from './replay';
