export { kinOf, parentOf, readLibrary, readText, sheetCards, sheetOf, type Library, type SheetCard } from './library';
