export { circumstance, mayMiss, observationsOf, type Case, type Complaint, type Observation } from './case';
export { likeliestInside } from './likeliestInside';
export { blunder, likelihood } from './likelihood';
export { doubtsOf, classesOf, outcomesOf, type Outcome } from './outcomes';
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
export { reasonsFrom, type Reason } from './reasons';
export { symptomTilesOf, tilesOf, type Tile } from './tiles';
