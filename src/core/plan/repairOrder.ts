import { type PlanProblem, type PlanRepair } from './problem';

/** Repairs in the order in which to try them, with the expected cost of doing so. */
export interface RepairOrder {
  readonly cost: number;
  readonly first: PlanRepair | undefined;
}

/**
 * Makes the function that gives the expected cost of trying repairs until one cures, the
 * likeliest for its cost first, from weights (not necessarily normalised) and a state.
 *
 * Without changes of state this order is optimal for a single fault (Kalagnanam and Henrion
 * 1990); the cost of changing state is counted along the order but does not move it. The function
 * keeps its working arrays, so it allocates nothing but its answer.
 */
export function repairOrderer({
  repairs,
  weights,
  switchCost,
  trialHarm,
}: PlanProblem): (weights: Float64Array, state: number) => RepairOrder {
  const order = new Int32Array(repairs.length);
  const worth = new Float64Array(repairs.length);
  const left = new Float64Array(weights.length);

  return (current, state) => {
    const fromHere = switchCost[state]!;
    let total = 0;
    /** What trying the set as it is would do, times the chance of coming here. */
    let harm = 0;
    for (let h = 0; h < current.length; h += 1) {
      left[h] = current[h]!;
      total += current[h]!;
      if (trialHarm) harm += current[h]! * trialHarm[h]!;
    }
    if (total <= 0) return { cost: 0, first: undefined };

    let count = 0;
    for (let r = 0; r < repairs.length; r += 1) {
      const { cures, cost, state: at } = repairs[r]!;
      let chance = 0;
      let spared = 0;
      for (const hypothesis of cures) {
        chance += current[hypothesis]!;
        if (trialHarm) spared += current[hypothesis]! * trialHarm[hypothesis]!;
      }
      // What is left out could not move the expected cost by a thousandth of a minute.
      if (chance <= total * 1e-9) continue;
      worth[r] = chance / (cost + fromHere[at]! + (harm - spared) / total);
      // Insertion keeps the short list in order without a sort's allocations.
      let place = count;
      while (place > 0 && worth[order[place - 1]!]! < worth[r]!) {
        order[place] = order[place - 1]!;
        place -= 1;
      }
      order[place] = r;
      count += 1;
    }

    let alive = 1;
    let cost = 0;
    let at = state;
    let first: PlanRepair | undefined;
    for (let place = 0; place < count && alive > 1e-9; place += 1) {
      const repair = repairs[order[place]!]!;
      let cured = 0;
      for (const hypothesis of repair.cures) {
        cured += left[hypothesis]!;
        if (trialHarm) harm -= left[hypothesis]! * trialHarm[hypothesis]!;
        left[hypothesis] = 0;
      }
      if (cured <= 0) continue;
      first ??= repair;
      cost += alive * (repair.cost + switchCost[at]![repair.state]!);
      cost += harm / total;
      at = repair.state;
      alive -= cured / total;
    }
    return { cost, first };
  };
}
