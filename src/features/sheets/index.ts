export { Sheets } from './Sheets';
export { SheetEditor } from './SheetEditor';
