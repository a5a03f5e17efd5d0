export { StageDesk } from './StageDesk';
