import { type PlanProblem, type PlanRepair } from './problem';

/** Repairs in the order in which to try them, with the expected cost of doing so. */
export interface RepairOrder {
  readonly cost: number;
  readonly first: PlanRepair | undefined;
}

/**
 * The expected cost of trying repairs until one cures, the likeliest for its cost first.
 *
 * Without changes of state this order is optimal for a single fault (Kalagnanam and Henrion
 * 1990); the cost of changing state is counted along the order but does not move it.
 *
 * @param weights probability of each hypothesis; need not be normalised
 */
export function repairOrder(problem: PlanProblem, weights: Float64Array, state: string): RepairOrder {
  const ranked = problem.repairs
    .map((repair) => {
      let chance = 0;
      for (const hypothesis of repair.cures) chance += weights[hypothesis]!;
      return { repair, worth: chance / (repair.cost + problem.switchCost(state, repair.state)) };
    })
    .filter(({ worth }) => worth > 0)
    .sort((a, b) => b.worth - a.worth);
  const left = Float64Array.from(weights);
  let total = 0;
  for (const weight of weights) total += weight;
  if (total <= 0) return { cost: 0, first: undefined };
  let alive = 1;
  let cost = 0;
  let at = state;
  let first: PlanRepair | undefined;
  for (const { repair } of ranked) {
    let cured = 0;
    for (const hypothesis of repair.cures) {
      cured += left[hypothesis]!;
      left[hypothesis] = 0;
    }
    if (cured <= 0) continue;
    first ??= repair;
    cost += alive * (repair.cost + problem.switchCost(at, repair.state));
    at = repair.state;
    alive -= cured / total;
    if (alive < 1e-9) break;
  }
  return { cost, first };
}
