export { condense, type Condensed } from './condense';
export { policyCost, simulatedCost } from './expectedCost';
export { Halted, NestedRollouts, type ValuedMove } from './nestedRollouts';
export { planOneStep, type RankedTest } from './oneStep';
export { firstMove, tellingPolicy } from './policy';
export { type PlanProblem, type PlanTest } from './problem';
export { readProblem } from './readProblem';
export { repairOrderer } from './repairOrder';
export { startOf } from './situation';
