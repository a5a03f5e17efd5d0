export { backupInto } from './backup';
export { copiesFolder, copiesIn, copyOfTheDay, makeCopy, type Copy } from './copies';
export { examine, type Finding, mend } from './doctor';
export { keepCopies } from './schedule';
export { restore } from './restore';
export { requireSound } from './sound';
