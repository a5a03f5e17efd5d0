import { type PlanProblem, type PlanRepair } from './problem';

/** Repairs in the order in which to try them, with the expected cost of doing so. */
export interface RepairOrder {
  readonly cost: number;
  readonly first: PlanRepair | undefined;
}

/** Hypotheses that the same repairs cure: to the order of repairs they are one. */
interface CureGroups {
  /** The group of each hypothesis. */
  readonly of: Int32Array;
  readonly count: number;
  /** By repair, the groups it cures. */
  readonly cures: readonly Int32Array[];
}

function cureGroups({ repairs, weights }: PlanProblem): CureGroups {
  // Repair by repair, each group is split into what the repair cures and what it leaves.
  const of = new Int32Array(weights.length);
  let count = 1;
  for (const { cures } of repairs) {
    const split = new Map<number, number>();
    for (const h of cures) {
      let cured = split.get(of[h]!);
      if (cured === undefined) split.set(of[h]!, (cured = count++));
      of[h] = cured;
    }
  }
  return { of, count, cures: repairs.map(({ cures }) => Int32Array.from(new Set(cures.map((h) => of[h]!)))) };
}

/** Where a repair belongs among the first `count` of an order, the most worth first: after those worth as much. */
function placeAmong(order: Int32Array, count: number, worth: Float64Array, own: number): number {
  let low = 0;
  let high = count;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (worth[order[middle]!]! < own) high = middle;
    else low = middle + 1;
  }
  return low;
}

/**
 * Makes the function that gives the expected cost of trying repairs until one cures, the
 * likeliest for its cost first, from weights (not necessarily normalised) and a state.
 *
 * Without changes of state this order is optimal for a single fault (Kalagnanam and Henrion
 * 1990); the cost of changing state is counted along the order but does not move it. The function
 * keeps its working arrays, so it allocates nothing but its answer.
 */
export function repairOrderer(problem: PlanProblem): (weights: Float64Array, state: number) => RepairOrder {
  const { repairs, switchCost, trialHarm } = problem;
  const groups = cureGroups(problem);
  const order = new Int32Array(repairs.length);
  const worth = new Float64Array(repairs.length);
  /** What each group weighs, and what trying the set as it is would do under it, times the chance of coming here. */
  const left = new Float64Array(groups.count);
  const harmLeft = new Float64Array(groups.count);

  return (current, state) => {
    const fromHere = switchCost[state]!;
    left.fill(0);
    harmLeft.fill(0);
    for (let h = 0; h < current.length; h += 1) {
      const group = groups.of[h]!;
      left[group]! += current[h]!;
      if (trialHarm) harmLeft[group]! += current[h]! * trialHarm[h]!;
    }
    let total = 0;
    let harm = 0;
    for (let group = 0; group < groups.count; group += 1) {
      total += left[group]!;
      harm += harmLeft[group]!;
    }
    if (total <= 0) return { cost: 0, first: undefined };

    let count = 0;
    for (let r = 0; r < repairs.length; r += 1) {
      const { cost, state: at } = repairs[r]!;
      const cures = groups.cures[r]!;
      let chance = 0;
      let spared = 0;
      for (let c = 0; c < cures.length; c += 1) {
        chance += left[cures[c]!]!;
        spared += harmLeft[cures[c]!]!;
      }
      // What is left out could not move the expected cost by a thousandth of a minute.
      if (chance <= total * 1e-9) continue;
      worth[r] = chance / (cost + fromHere[at]! + (harm - spared) / total);
      // Insertion keeps the short list in order without a sort's allocations.
      const place = placeAmong(order, count, worth, worth[r]!);
      order.copyWithin(place + 1, place, count);
      order[place] = r;
      count += 1;
    }

    let alive = 1;
    let cost = 0;
    let at = state;
    let first: PlanRepair | undefined;
    for (let place = 0; place < count && alive > 1e-9; place += 1) {
      const repair = repairs[order[place]!]!;
      const cures = groups.cures[order[place]!]!;
      let cured = 0;
      for (let c = 0; c < cures.length; c += 1) {
        const group = cures[c]!;
        cured += left[group]!;
        harm -= harmLeft[group]!;
        left[group] = 0;
        harmLeft[group] = 0;
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
