export { backupInto } from './backup';
export { database, openDatabase } from './database';
export { addJob, findJob, openJobs, setWaiting, type Job, type Waiting } from './jobs';
export { appendLog, JobClosed, readLog, readLogs, StaleLog } from './log';
export {
  AlreadyClosed,
  closedCounts,
  closeJob,
  findNote,
  searchNotes,
  searchQuery,
  type FaultNote,
  type Outcome,
} from './notes';
export { readSettings, type Settings } from './settings';
