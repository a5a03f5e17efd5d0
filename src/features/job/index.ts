export { StateBand } from './StateBand';
export { caseOf, predictionsOf, type JobFile } from './jobFile';
export { useLog, type JobLog } from './useLog';
