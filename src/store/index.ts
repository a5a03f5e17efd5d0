export { type Archived, type Clash, type Extent, exportShop, importShop, type Merged, type Merging } from './archive';
export {
  backupInto,
  copiesFolder,
  copiesIn,
  type Copy,
  copyOfTheDay,
  examine,
  keepCopies,
  type Finding,
  makeCopy,
  mend,
  requireSound,
  restore,
} from './copies';
export { causesOf, readCauses, takeCauses } from './causes';
export { database, databaseFile, openDatabase, releaseDatabase } from './database';
export { fullDisk } from './fullDisk';
export {
  addJob,
  findJob,
  jobsBySheet,
  moveToSheet,
  openJobs,
  pinJob,
  reviseJob,
  setWaiting,
  type Job,
  type JobDetails,
  type Waiting,
} from './jobs';
export { appendLog, JobClosed, lastLine, lastWith, readLog, readLogs, StaleLog } from './log';
export {
  AlreadyClosed,
  closedBySheet,
  closedCounts,
  closedLogs,
  lastClosed,
  closeJob,
  findNote,
  searchNotes,
  type FaultNote,
  type FoundNotes,
  type Outcome,
} from './notes';
export { ownSheets, saveSheet, sheetsOfJob, versionsOf, type SheetVersion } from './sheets';
export { addPhoto, findPhoto, mostPhotos, TooManyPhotos } from './photos';
export { addOldNotes, type CountedNote } from './oldNotes';
export { cameBackAs, leavings } from './returns';
export { defaultSettings, readSettings, saveSettings, type Settings } from './settings';
export {
  addNeed,
  fittedNeeds,
  moveNeed,
  onOrderWithin,
  openNeeds,
  takeForNeed,
  takeFromDonor,
  type Need,
} from './needs';
export {
  addDonorPart,
  type Donor,
  type DonorPart,
  donorParts,
  donors,
  harvestPart,
  moveDonorPart,
  piecesTakenOut,
  saveDonor,
} from './donors';
export {
  addOrder,
  cheapestOffers,
  itemsOf,
  keepItems,
  keepTerms,
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
export { workedWithin } from './weeks';
export { keepWorkedOut, readWorkedOut, type WorkedKind } from './workedOut';
