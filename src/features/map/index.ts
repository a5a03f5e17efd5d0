export { BoardMap } from './BoardMap';
