import { type PlanProblem, type PlanRepair } from './problem';

/** Repairs in the order in which to try them, with the expected cost of doing so. */
export interface RepairOrder {
  readonly cost: number;
  readonly first: PlanRepair | undefined;
}

/** Repairs in arrays, by their place among those that cure anything; hypotheses that the same ones cure are one group. */
interface Laid {
  /** The group of each hypothesis, and how many groups there are. */
  readonly groupOf: Int32Array;
  readonly groups: number;
  readonly repairs: readonly PlanRepair[];
  readonly cost: Float64Array;
  readonly state: Int32Array;
  /** The groups that a repair cures: `cured` from `from[repair]` on, up to the `from` of the next. */
  readonly cured: Int32Array;
  readonly from: Int32Array;
}

function laidOut({ repairs: all, weights }: PlanProblem): Laid {
  const repairs = all.filter(({ cures }) => cures.length > 0);
  // Repair by repair, each group is split into what the repair cures and what it leaves.
  const groupOf = new Int32Array(weights.length);
  let groups = 1;
  for (const { cures } of repairs) {
    const split = new Map<number, number>();
    for (const h of cures) {
      let own = split.get(groupOf[h]!);
      if (own === undefined) split.set(groupOf[h]!, (own = groups++));
      groupOf[h] = own;
    }
  }
  const cured: number[] = [];
  const from = new Int32Array(repairs.length + 1);
  repairs.forEach(({ cures }, r) => {
    for (const group of new Set(cures.map((h) => groupOf[h]!))) cured.push(group);
    from[r + 1] = cured.length;
  });
  return {
    groupOf,
    groups,
    repairs,
    cost: Float64Array.from(repairs, ({ cost }) => cost),
    state: Int32Array.from(repairs, ({ state }) => state),
    cured: Int32Array.from(cured),
    from,
  };
}

/** Sorts places by what they are worth, the most first, then by number: fast where they nearly stand so already. */
function sortByWorth(order: Int32Array, worth: Float64Array): void {
  for (let place = 1; place < order.length; place += 1) {
    const own = order[place]!;
    const value = worth[own]!;
    let at = place;
    for (; at > 0; at -= 1) {
      const before = order[at - 1]!;
      if (worth[before]! > value || (worth[before]! === value && before < own)) break;
      order[at] = before;
    }
    order[at] = own;
  }
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
  const { switchCost, trialHarm } = problem;
  const { groupOf, groups, repairs, cost: costs, state: states, cured, from } = laidOut(problem);
  // From one call to the next the order changes little.
  const order = Int32Array.from(repairs.keys());
  const worth = new Float64Array(repairs.length);
  /** What each group weighs, and what trying the set as it is would do under it, times the chance of coming here. */
  const left = new Float64Array(groups);
  const harmLeft = new Float64Array(groups);

  return (current, state) => {
    const fromHere = switchCost[state]!;
    left.fill(0);
    harmLeft.fill(0);
    for (let h = 0; h < current.length; h += 1) left[groupOf[h]!]! += current[h]!;
    if (trialHarm) for (let h = 0; h < current.length; h += 1) harmLeft[groupOf[h]!]! += current[h]! * trialHarm[h]!;
    let total = 0;
    let harm = 0;
    for (let group = 0; group < groups; group += 1) {
      total += left[group]!;
      harm += harmLeft[group]!;
    }
    if (total <= 0) return { cost: 0, first: undefined };

    for (let r = 0; r < repairs.length; r += 1) {
      let chance = 0;
      let spared = 0;
      for (let c = from[r]!; c < from[r + 1]!; c += 1) {
        chance += left[cured[c]!]!;
        spared += harmLeft[cured[c]!]!;
      }
      // What is left out could not move the expected cost by a thousandth of a minute.
      worth[r] = chance > total * 1e-9 ? chance / (costs[r]! + fromHere[states[r]!]! + (harm - spared) / total) : 0;
    }
    sortByWorth(order, worth);

    let alive = 1;
    let cost = 0;
    let at = state;
    let first: PlanRepair | undefined;
    for (let place = 0; place < order.length && alive > 1e-9; place += 1) {
      const r = order[place]!;
      if (worth[r] === 0) break;
      let mended = 0;
      for (let c = from[r]!; c < from[r + 1]!; c += 1) {
        const group = cured[c]!;
        mended += left[group]!;
        harm -= harmLeft[group]!;
        left[group] = 0;
        harmLeft[group] = 0;
      }
      if (mended <= 0) continue;
      first ??= repairs[r]!;
      cost += alive * (costs[r]! + switchCost[at]![states[r]!]!);
      cost += harm / total;
      at = states[r]!;
      alive -= mended / total;
    }
    return { cost, first };
  };
}
