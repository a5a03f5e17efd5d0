export { adviseOn, type Advice, type ProbeAdvice, type RepairAdvice } from './advice';
export { observationsOf, type Case, type Complaint, type Observation } from './case';
export { indistinguishable } from './groups';
export { likelihood } from './likelihood';
export { evidenceFor, posteriorOf, type Evidence, type Posterior, type Suspect } from './posterior';
export { priorOf } from './prior';
export { transition } from './transition';
export { changeCost, contextFor, probeCost, probesOf, type Probe } from './probes';
