export { insideBlock } from './blockStage';
export { InsideBlock } from './InsideBlock';
export { StageDesk } from './StageDesk';
