export { planOneStep, type Plan, type RankedTest } from './oneStep';
export { type PlanProblem, type PlanRepair, type PlanTest } from './problem';
export { repairOrderer, type RepairOrder } from './repairOrder';
