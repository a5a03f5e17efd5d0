export { Note } from './Note';
export { Notebook } from './Notebook';
