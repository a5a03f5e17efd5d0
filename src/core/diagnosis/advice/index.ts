export { adviseOn, type Advice, type ProbeAdvice, type RepairAdvice } from './advice';
export { type Briefed, type Briefing, briefingOf, followed, weightsOf } from './briefing';
export { lookDeeper, type DeeperLook, type DeeperMove } from './deeper';
export { indistinguishable } from './groups';
export { isolationOf, type Isolation, type Load } from './isolation';
export { mayBeBrief } from './mayBeBrief';
export { changeCost, contextFor, probeCost, probesOf, type Probe } from './probes';
export { transition } from './transition';
export { proofOf, verificationOf, verified, type RepairProof, type Verification } from './verification';
