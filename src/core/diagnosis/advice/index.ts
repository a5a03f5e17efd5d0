export { adviseOn, type Advice, type ProbeAdvice } from './advice';
export { type Briefed, type Briefing, briefingOf, followed, weightsOf } from './briefing';
export { lookDeeper, type DeeperLook } from './deeper';
export { indistinguishable } from './groups';
export { isolationOf, type Isolation } from './isolation';
export { mayBeBrief } from './mayBeBrief';
export { changeCost, contextFor, probeCost, type Probe } from './probes';
export { transition } from './transition';
export { proofOf, verificationOf, verified, type RepairProof, type Verification } from './verification';
