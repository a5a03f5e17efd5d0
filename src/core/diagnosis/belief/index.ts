export { circumstance, mayMiss, type Case, type Complaint, type Observation } from './case';
export { leadOf, told } from './lead';
export { likeliestInside } from './likeliestInside';
export { likelihood } from './likelihood';
export { classesOf, outcomesOf } from './outcomes';
export { evidenceFor, restsOn, posteriorOf, type Posterior, type Suspect } from './posterior';
export { priorOf } from './prior';
export { reasonsFrom, type Reason } from './reasons';
export { symptomTilesOf, tilesOf, type Tile } from './tiles';
