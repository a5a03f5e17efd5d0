export { dictionaryOf, type Dictionary } from './dictionary';
export { changeFor, faultsOf, type CircuitFault } from './faults';
export { nextReadings, type NextReading } from './nextReadings';
export { type Moves, rankFaults, soundSpreads, weightOf, type RankedFault, type Ranking } from './ranking';
export { ripplesOf, runWith, type OverTime, type Ripples } from './ripple';
