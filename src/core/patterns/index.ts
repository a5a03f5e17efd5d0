export { patternIds, patternPicture, patterns, type PatternId, type RasterId, rasters } from './pattern';
export { restOf } from './rest';
