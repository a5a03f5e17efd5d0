import { mostTelling } from './information';
import { NestedRollouts } from './nestedRollouts';
import { type PlanProblem } from './problem';
import { repairOrderer } from './repairOrder';
import { massOf, type Move, type Situation, weighOutcome } from './situation';

/** Gives the next move in a situation of one problem. */
export type Policy = (at: Situation) => Move;

/** A level of nested rollouts that is near the optimum on every small problem tried. */
export const deepLevel = 2;

/** Problems up to this size are walked to the end. */
const mostHypotheses = 10;
const mostTests = 9;

export function isSmall(problem: PlanProblem): boolean {
  return problem.weights.length <= mostHypotheses && problem.tests.length <= mostTests;
}

/** How many of the most telling tests are tried against repairing. */
const testsTried = 3;

/**
 * The rule for problems too large to walk: of the tests that tell most for their cost, the first
 * that beats repairing now; where none of them does, the first repair of the best order.
 *
 * Ranking by information per cost does not stop at the horizon of one test, as a greedy choice by
 * value does; comparing with repairing keeps it from testing for its own sake.
 */
export function tellingPolicy(problem: PlanProblem): Policy {
  const repairOrder = repairOrderer(problem);
  const posterior = new Float64Array(problem.weights.length);
  return (at) => {
    const mass = massOf(at.weights);
    const now = repairOrder(at.weights, at.state);
    for (const { test: index, cost, harm } of mostTelling(problem, at).slice(0, testsTried)) {
      const test = problem.tests[index]!;
      let total = cost + harm;
      for (const outcome of test.outcomes) {
        const chance = weighOutcome(test, outcome, at.weights, posterior);
        if (chance > 0) total += (chance / mass) * repairOrder(posterior, test.state).cost;
      }
      if (total < now.cost - 1e-9) return { kind: 'test', index };
    }
    return { kind: 'repair', index: problem.repairs.indexOf(now.first!) };
  };
}

/** The first move Tovrik makes on a problem. */
export function firstMove(problem: PlanProblem): Move {
  if (isSmall(problem)) return new NestedRollouts(problem, deepLevel - 1).moves(deepLevel - 1)[0]!.move;
  return tellingPolicy(problem)({
    weights: problem.weights,
    state: problem.state,
    run: new Uint8Array(problem.tests.length),
  });
}
