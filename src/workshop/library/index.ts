export { type Refined, refineSheet } from './refineSheet';
