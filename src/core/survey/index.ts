export { judgePart, surveyOf, type PartCheck } from './partCheck';
export { type PartMark, type PartVerdict } from './partVerdict';
export { readPartCheck, type KnownPart } from './readPartCheck';
