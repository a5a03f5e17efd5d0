export { type CircuitFaultMode, type Element } from './elements';
export * from './netlist';
export * from './solve';
export * from './faults';
export * from './ladder';
export { Stage, type Turned } from './stage';
export { driftText, faultWords, partSuspects, type PartSuspect } from './suspects';
export { runStage, type StageRun, type StageRunRequest } from './stageRun';
export { StageJudge, type StageRead, type StageSuspect, type StageVerdict } from './stageVerdict';
