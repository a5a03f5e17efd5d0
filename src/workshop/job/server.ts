export { getLog, postLog } from './handleLog';
export { loadJob, loadReturns } from './load';
