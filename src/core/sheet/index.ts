export * from './sheet';
export { SheetError, type Problem } from './problem';
export { levelRatio, longestSheet, readSheet } from './readSheet';
export { makers, needOrder } from './needOrder';
export { partName } from './faultTitle';
export { lintSheet } from './lint';
export { withLabel } from './withLabel';
