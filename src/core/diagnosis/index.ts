export { adviseOn, type Advice, type ProbeAdvice, type RepairAdvice } from './advice';
export { observationsOf, type Case, type Complaint, type Observation } from './case';
export { indistinguishable } from './groups';
export { likelihood } from './likelihood';
export {
  evidenceFor,
  restsOn,
  posteriorOf,
  type Evidence,
  type Posterior,
  type Suspect,
  type SuspectPair,
  type Doubt,
} from './posterior';
export { priorOf } from './prior';
export { transition } from './transition';
export { changeCost, contextFor, probeCost, probesOf, type Probe } from './probes';
export { benchMinutes, draftNote, type NoteDraft } from './faultNote';
export { stepOf, steps, type Step } from './progress';
export { reasonsFrom, type Reason } from './reasons';
export { verificationOf, verified, type Verification } from './verification';
export { symptomTilesOf, tilesOf, type Tile } from './tiles';
export { lookDeeper, type DeeperLook, type DeeperMove } from './deeper';
export { isolationOf, type Isolation, type Load } from './isolation';
export { jointArea, type JointArea, type Worked } from './jointArea';
