export { largestBatch, parseBatch, reviveBody, unknownName } from './batch';
export { type BenchState, type TakenReading } from './bench';
export { changesMade, lineText, typedChange } from './changes';
export { lastStanding, standing, type LogEntry, type Standing } from './entry';
export { type BodyNamed, kindOf, type LogBody } from './kinds';
export { isLow, provenBelow, storeReading } from './kinds/store';
export { type ApartKind, apartKinds, type ApartLine, apartText, readApart } from './kinds/apart';
export { workedBy, type WorkedBy } from './kinds/worked';
export { replay } from './replay';
