export { JobStage } from './JobStage';
export { StageScreen } from './StageScreen';
