export { JobStage } from './JobStage';
export { StageDesk } from './StageDesk';
