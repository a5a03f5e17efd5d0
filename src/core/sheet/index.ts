export * from './sheet';
export { SheetError, type Problem } from './problem';
export { levelRatio, readSheet } from './readSheet';
export { longestSheet, type SheetSources } from './sources';
export { makers, needOrder } from './needOrder';
export { partName } from './faultTitle';
export { lintSheet } from './lint';
export { adoptedId, adoptedText, type PointValues, withPoint } from './refine';
export { withLabel } from './withLabel';
