import { bitsOf } from './information';
import { type PlanProblem, type PlanRepair, type PlanTest } from './problem';
import { repairOrderer } from './repairOrder';

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

/**
 * Values every test by one step of looking ahead: its cost, plus over its outcomes the expected
 * cost of the best order of repairs afterwards.
 */
export function planOneStep(problem: PlanProblem): Plan {
  const { weights, state } = problem;
  const repairOrder = repairOrderer(problem);
  const now = repairOrder(weights, state);
  const posterior = new Float64Array(weights.length);
  const tests: RankedTest[] = [];
  for (const test of problem.tests) {
    const bits = bitsOf(test, weights, 1);
    if (bits <= telling) continue;
    const cost = test.cost + problem.switchCost[state]![test.state]!;
    let total = cost;
    const chances: number[] = [];
    for (const { chances: likelihood } of test.outcomes) {
      let chance = 0;
      for (let h = 0; h < weights.length; h += 1) {
        posterior[h] = weights[h]! * likelihood[h]!;
        chance += posterior[h]!;
      }
      chances.push(chance);
      if (chance <= 1e-12) continue;
      total += chance * repairOrder(posterior, test.state).cost;
    }
    tests.push({ test, cost, total, bits, chances });
  }
  tests.sort((a, b) => a.total - b.total);
  return { repairNow: now.cost, firstRepair: now.first, tests };
}
