export { type Clash, type Merged, type Merging } from './merge';
export { type Extent } from './rows';
export { exportShop, importShop } from './shop';
export { type Archived } from './write';
