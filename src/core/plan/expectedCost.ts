import { type Random } from '../statistics';
import { NestedRollouts } from './nestedRollouts';
import { deepLevel, isSmall, type Policy, tellingPolicy } from './policy';
import { type PlanProblem, type PlanTest } from './problem';
import { afterRepair, afterTest, massOf, type Move, moveCost, type Situation, startOf } from './situation';

/** What following a policy costs on average. */
export interface PolicyCost {
  readonly mean: number;
  /** Standard error of the mean; 0 where every outcome was walked. */
  readonly error: number;
  /** Hunts simulated; undefined where every outcome was walked. */
  readonly hunts?: number;
}

const huntsSimulated = 1500;

/**
 * Expected cost of the policy Tovrik follows: exact for small problems, simulated for large ones.
 */
export function policyCost(problem: PlanProblem, random: Random): PolicyCost {
  if (isSmall(problem)) return { mean: new NestedRollouts(problem, deepLevel).expectedCost(deepLevel), error: 0 };
  return simulatedCost(problem, tellingPolicy(problem), huntsSimulated, random);
}

/** One step of a simulated hunt, kept so that hunts that begin alike decide only once. */
interface Node {
  readonly at: Situation;
  readonly move: Move;
  readonly next: Map<number, Node>;
}

/** The situation with weights that sum to one, so that long hunts do not run out of digits. */
function normalised(at: Situation): Situation {
  const mass = massOf(at.weights);
  return { ...at, weights: at.weights.map((weight) => weight / mass) };
}

/**
 * Mean cost over simulated hunts. The true hypothesis is drawn in even steps over the weights, so
 * that the error given is an upper bound.
 */
export function simulatedCost(problem: PlanProblem, policy: Policy, hunts: number, random: Random): PolicyCost {
  const nodeAt = (at: Situation): Node => ({ at, move: policy(at), next: new Map() });
  const root = nodeAt(normalised(startOf(problem)));
  let sum = 0;
  let squares = 0;
  for (let hunt = 0; hunt < hunts; hunt += 1) {
    const truth = drawn(root.at.weights, (hunt + random()) / hunts);
    let node = root;
    let cost = 0;
    for (;;) {
      const { move, at } = node;
      cost += moveCost(problem, at.state, move) + harmUnder(problem, truth, move);
      if (move.kind === 'repair' && problem.repairs[move.index]!.cures.includes(truth)) break;
      const outcome = move.kind === 'test' ? drawn(answersUnder(problem.tests[move.index]!, truth), random()) : 0;
      let next = node.next.get(outcome);
      if (!next) {
        const after =
          move.kind === 'test' ? afterTest(problem, at, move.index, outcome) : afterRepair(problem, at, move.index);
        next = nodeAt(normalised(after));
        node.next.set(outcome, next);
      }
      node = next;
    }
    sum += cost;
    squares += cost * cost;
  }
  const mean = sum / hunts;
  return { mean, error: Math.sqrt(Math.max(0, squares / hunts - mean * mean) / hunts), hunts };
}

/** The chances of a test's outcomes where one hypothesis is the truth. */
const answersUnder = ({ kinds, outcomes }: PlanTest, truth: number): number[] =>
  outcomes.map(({ chances }) => chances[kinds[truth]!]!);

/** What a move does where one hypothesis is the truth. */
function harmUnder({ tests, repairs, trialHarm }: PlanProblem, truth: number, move: Move): number {
  if (move.kind === 'test') return tests[move.index]!.harm?.[truth] ?? 0;
  return repairs[move.index]!.cures.includes(truth) ? 0 : (trialHarm?.[truth] ?? 0);
}

/** The index at which the running sum of chances passes `share`. */
function drawn(chances: ArrayLike<number>, share: number): number {
  let left = share;
  let last = 0;
  for (let index = 0; index < chances.length; index += 1) {
    if (chances[index]! <= 0) continue;
    last = index;
    left -= chances[index]!;
    if (left <= 0) break;
  }
  return last;
}
