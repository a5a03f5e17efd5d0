export { takeFromHouse, wantPart } from './actions';
export { askShelf, type Found, type ShelfRow, verdictWords } from './shelfRow';
