export { condense, type Condensed } from './condense';
export { policyCost, type PolicyCost, simulatedCost } from './expectedCost';
export { Halted, NestedRollouts, type ValuedMove } from './nestedRollouts';
export { planOneStep, type Plan, type RankedTest } from './oneStep';
export { deepLevel, firstMove, isSmall, type Policy, tellingPolicy } from './policy';
export { type PlanProblem, type PlanRepair, type PlanTest } from './problem';
export { longestProblem, readProblem } from './readProblem';
export { repairOrderer, type RepairOrder } from './repairOrder';
export { type Move, startOf } from './situation';
