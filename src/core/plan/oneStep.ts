import { sumOf } from '../statistics';
import { mostTelling } from './information';
import { type PlanProblem, type PlanRepair, type PlanTest } from './problem';
import { repairOrderer } from './repairOrder';
import { startOf, weighOutcome } from './situation';

/** A test with what is to be expected of it. */
export interface RankedTest {
  readonly test: PlanTest;
  /** Cost of the test itself with the change of state it needs. */
  readonly cost: number;
  /** What it is expected to do to the set, reckoned in minutes. */
  readonly harm: number;
  /** Expected cost of running it, its harm included, and repairing in the best order afterwards. */
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

const leastBits = 1e-4;

/** Tests that tell less for their cost than so many others are not worth valuing. */
const mostValued = 12;

/**
 * Values every test by one step of looking ahead: its cost, plus over its outcomes the expected
 * cost of the best order of repairs afterwards. Tests that tell little for their cost are only given
 * an upper bound: their cost on top of repairing now.
 */
export function planOneStep(problem: PlanProblem): Plan {
  const { weights, state } = problem;
  const repairOrder = repairOrderer(problem);
  const now = repairOrder(weights, state);
  const telling = mostTelling(problem, startOf(problem)).filter(({ bits }) => bits > leastBits);
  const posterior = new Float64Array(weights.length);
  /** Expected cost of repairing in the best order once the answer is known. */
  const repairAfter = (test: PlanTest) =>
    sumOf(test.outcomes, (outcome) => {
      const chance = weighOutcome(test, outcome, weights, posterior);
      return chance > 1e-12 ? chance * repairOrder(posterior, test.state).cost : 0;
    });
  const tests = telling.map(({ test: index, bits, cost, harm, chances }, rank): RankedTest => {
    const test = problem.tests[index]!;
    return { test, cost, harm, bits, chances, total: cost + harm + (rank < mostValued ? repairAfter(test) : now.cost) };
  });
  // What the last digits of a sum tell apart is the same: then what tells more for its cost comes first.
  const rounded = ({ total }: RankedTest) => Math.round(total * 1e6);
  tests.sort((a, b) => rounded(a) - rounded(b) || b.bits / b.cost - a.bits / a.cost);
  return { repairNow: now.cost, firstRepair: now.first, tests };
}
