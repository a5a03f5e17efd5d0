export { getLog, postLog } from './handleLog';
export { type Judged, judgedFrom, Keeper } from './keeper';
export { loadJob, loadReturns } from './load';
