export { changesMade, changeTitle } from './changes';
export { keepForLog } from './keepForLog';
export { JobFrame } from './JobFrame';
export { powerWords } from './powerWords';
export { StateBand } from './StateBand';
export { caseOf, predictionsOf, waitingTitles, type JobFile, type WaitingFor } from './jobFile';
export { usePowerKeys } from './usePowerKeys';
export { useLog, type JobLog, type Line } from './useLog';
