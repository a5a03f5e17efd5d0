export { beforeAfter } from './beforeAfter';
export { type OldNote, oldNoteColumns, readDay, readOldNotes, sheetNamed } from './oldNotes';
export { nearestWord, searchQuery, wordsOf } from './search';
