export { takeFromHouse, wantPart } from './actions';
export { markOfPart } from './markOfPart';
export { askShelf, type Found, type ShelfRow, verdictWords } from './shelfRow';
