export { Note } from './Note';
export { Notebook } from './Notebook';
export { OldNotes } from './OldNotes';
export { Report } from './Report';
