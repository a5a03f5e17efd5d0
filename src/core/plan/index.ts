export { planOneStep, type Plan, type RankedTest } from './oneStep';
export { type PlanProblem, type PlanRepair, type PlanTest } from './problem';
export { repairOrder, type RepairOrder } from './repairOrder';
