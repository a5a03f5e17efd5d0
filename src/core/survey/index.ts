export { judgePart, measuredBy, surveyOf, type PartCheck } from './partCheck';
export { type PartMark, type PartVerdict } from './partVerdict';
export { markedAs, readPartCheck, type KnownPart } from './readPartCheck';
