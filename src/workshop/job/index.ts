export { caseOf, type Habits, waitingTitles, type JobFile, type WaitingFor } from './jobFile';
export { JobFrame } from './JobFrame';
export { jobPages } from './jobPages';
export { keepForLog } from './keepForLog';
export { powerWords } from './powerWords';
export { ToSetList } from './ToSetList';
export { useJob } from './useJob';
export { useLog, type JobLog, type NewLine } from './useLog';
export { useTakeBackKey } from './useTakeBackKey';
