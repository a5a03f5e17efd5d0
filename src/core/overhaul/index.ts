export { type AgeingPart } from './ageing';
export { type Condition, conditionOf } from './condition';
export { keptCold, nextOf, overhaulOf, type OverhaulStage, type OverhaulStep } from './walk';
