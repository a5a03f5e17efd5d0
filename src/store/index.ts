export { backupInto } from './backup';
export { database, openDatabase } from './database';
export {
  addJob,
  findJob,
  jobsBySheet,
  moveToSheet,
  openJobs,
  reviseJob,
  setWaiting,
  type Job,
  type JobDetails,
  type Waiting,
} from './jobs';
export { appendLog, JobClosed, readLog, readLogs, StaleLog } from './log';
export {
  AlreadyClosed,
  closedBySheet,
  closedCounts,
  closedLogs,
  closeJob,
  findNote,
  searchNotes,
  searchQuery,
  type FaultNote,
  type Outcome,
} from './notes';
export { ownSheets, saveSheet, versionsOf, type SheetVersion } from './sheets';
export { addPhoto, findPhoto, mostPhotos, TooManyPhotos } from './photos';
export { readSettings, type Settings } from './settings';
export { addNeed, fittedNeeds, moveNeed, openNeeds, takeForNeed, takeFromDonor, type Need } from './needs';
export {
  addDonorPart,
  donorParts,
  donors,
  harvestPart,
  moveDonorPart,
  saveDonor,
  type Donor,
  type DonorPart,
} from './donors';
export {
  addOrder,
  cheapestOffers,
  itemsOf,
  keepItems,
  keepWords,
  knownItems,
  openOrders,
  saveSupplier,
  suppliers,
  type OpenOrder,
  type SupplierRow,
} from './suppliers';
export {
  moveStock,
  putList,
  putOnShelf,
  searchShelf,
  shelfSize,
  stockLike,
  takeMoveBack,
  wholeShelf,
  type StockRow,
} from './shelf';
