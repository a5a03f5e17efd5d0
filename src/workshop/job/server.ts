export { getLog, postLog } from './handleLog';
export { loadJob } from './load';
