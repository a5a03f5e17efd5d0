import { type PlanProblem, type PlanRepair, type PlanTest } from './problem';
import { repairOrder } from './repairOrder';

/** A test with what is to be expected of it. */
export interface RankedTest {
  readonly test: PlanTest;
  /** Cost of the test itself with the change of state it needs. */
  readonly cost: number;
  /** Expected cost of running it and repairing in the best order afterwards. */
  readonly total: number;
  /** Expected reduction of the entropy of the hypotheses, in bits. */
  readonly bits: number;
  /** Chance of each outcome, in the order of the test's outcomes. */
  readonly chances: readonly number[];
}

/** What to do next, one step looked ahead. */
export interface Plan {
  /** Expected cost of repairing now, without a test. */
  readonly repairNow: number;
  readonly firstRepair: PlanRepair | undefined;
  /** Tests that can tell something, best first. */
  readonly tests: readonly RankedTest[];
}

const telling = 1e-4;

/** Hypotheses less likely than this are left out of the reckoning; together they weigh next to nothing. */
const negligible = 2e-5;

/** The same problem over the hypotheses that matter, renormalised. */
function pruned(problem: PlanProblem): PlanProblem {
  const kept: number[] = [];
  const place = new Map<number, number>();
  problem.weights.forEach((weight, index) => {
    if (weight <= negligible) return;
    place.set(index, kept.length);
    kept.push(index);
  });
  if (kept.length === problem.weights.length) return problem;
  const total = kept.reduce((sum, index) => sum + problem.weights[index]!, 0);
  return {
    state: problem.state,
    switchCost: problem.switchCost.bind(problem),
    weights: Float64Array.from(kept, (index) => problem.weights[index]! / (total || 1)),
    tests: problem.tests.map((test) => ({
      ...test,
      outcomes: test.outcomes.map(({ name, chances }) => ({
        name,
        chances: Float64Array.from(kept, (index) => chances[index]!),
      })),
    })),
    repairs: problem.repairs
      .map((repair) => ({ ...repair, cures: repair.cures.flatMap((index) => place.get(index) ?? []) }))
      .filter((repair) => repair.cures.length > 0),
  };
}

function entropy(weights: Float64Array, total: number): number {
  let sum = 0;
  for (const weight of weights) {
    if (weight > 0) {
      const share = weight / total;
      sum -= share * Math.log2(share);
    }
  }
  return sum;
}

/**
 * Values every test by one step of looking ahead: its cost, plus over its outcomes the expected
 * cost of the best order of repairs afterwards.
 */
export function planOneStep(whole: PlanProblem): Plan {
  const problem = pruned(whole);
  const { weights, state } = problem;
  const now = repairOrder(problem, weights, state);
  const before = entropy(weights, 1);
  const posterior = new Float64Array(weights.length);
  const tests: RankedTest[] = [];
  problem.tests.forEach((test, index) => {
    const cost = test.cost + problem.switchCost(state, test.state);
    let total = cost;
    let after = 0;
    const chances: number[] = [];
    for (const { chances: likelihood } of test.outcomes) {
      let chance = 0;
      for (let h = 0; h < weights.length; h += 1) {
        posterior[h] = weights[h]! * likelihood[h]!;
        chance += posterior[h]!;
      }
      chances.push(chance);
      if (chance <= 1e-12) continue;
      total += chance * repairOrder(problem, posterior, test.state).cost;
      after += chance * entropy(posterior, chance);
    }
    const bits = before - after;
    // The caller's own test, whose chances are over all its hypotheses.
    if (bits > telling) tests.push({ test: whole.tests[index]!, cost, total, bits, chances });
  });
  tests.sort((a, b) => a.total - b.total);
  return { repairNow: now.cost, firstRepair: whole.repairs.find(({ id }) => id === now.first?.id), tests };
}
