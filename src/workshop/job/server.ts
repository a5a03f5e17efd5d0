export { getLog, postLog } from './handleLog';
export { judgedFrom, Keeper } from './keeper';
export { loadJob, loadReturns } from './load';
