export {
  kinOf,
  parentOf,
  readLibrary,
  readText,
  sheetCards,
  sheetOf,
  titleOf,
  type Library,
  type SetOf,
  type SheetCard,
} from './library';
