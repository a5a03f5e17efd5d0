export { adviseRails, type Rail, type Touch } from './rails';
export { readRails } from './railsFile';
export { drawTrimmers } from './trimmers';
export { turnWords } from './turnWords';
export { railsWalk, railSteps, type RailRow } from './walk';
