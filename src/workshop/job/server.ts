export { getLog, postLog } from './handleLog';
export { causesOf, Keeper } from './keeper';
export { loadJob, loadReturns } from './load';
