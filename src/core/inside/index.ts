export { checkOfNode, insideBlock, measured, whyNotInside, type BlockInside, type StageReading } from './insideBlock';
export { insideEvidence, type InsideEvidence } from './evidence';
