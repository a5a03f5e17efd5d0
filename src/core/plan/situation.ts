import { type PlanOutcome, type PlanProblem, type PlanTest } from './problem';

/** What to do next: an index into the tests or into the repairs of the problem. */
export interface Move {
  readonly kind: 'test' | 'repair';
  readonly index: number;
}

/** Where the hunt stands after some tests and failed repairs. */
export interface Situation {
  /** Chance of each hypothesis together with all that was seen on the way; they sum to the chance of coming here. */
  readonly weights: Float64Array;
  readonly state: number;
  /** One mark a test: has it been run? */
  readonly run: Uint8Array;
}

export function startOf(problem: PlanProblem): Situation {
  return { weights: problem.weights, state: problem.state, run: new Uint8Array(problem.tests.length) };
}

export function massOf(weights: Float64Array): number {
  let mass = 0;
  for (let h = 0; h < weights.length; h += 1) mass += weights[h]!;
  return mass;
}

/** A move's cost with the change of state it needs. */
export function moveCost(problem: PlanProblem, state: number, move: Move): number {
  const target = move.kind === 'test' ? problem.tests[move.index]! : problem.repairs[move.index]!;
  return target.cost + problem.switchCost[state]![target.state]!;
}

/** What a move does to the set, in minutes times the chance of coming here; a repair is tried at once. */
export function moveHarm(problem: PlanProblem, { weights }: Situation, move: Move): number {
  const harm = move.kind === 'test' ? problem.tests[move.index]!.harm : problem.trialHarm;
  if (!harm) return 0;
  let total = 0;
  for (let h = 0; h < weights.length; h += 1) total += weights[h]! * harm[h]!;
  if (move.kind === 'repair') for (const h of problem.repairs[move.index]!.cures) total -= weights[h]! * harm[h]!;
  return total;
}

/**
 * Weighs the hypotheses by an outcome of a test.
 *
 * @param into takes the weights, one a hypothesis
 * @returns what they weigh together: the chance of coming here and seeing it
 */
export function weighOutcome(
  { kinds }: PlanTest,
  { chances }: PlanOutcome,
  weights: Float64Array,
  into: Float64Array,
): number {
  let chance = 0;
  for (let h = 0; h < weights.length; h += 1) chance += into[h] = weights[h]! * chances[kinds[h]!]!;
  return chance;
}

/** After a test gave its outcome of that index. */
export function afterTest(problem: PlanProblem, from: Situation, test: number, outcome: number): Situation {
  const { outcomes, kinds, state } = problem.tests[test]!;
  const { chances } = outcomes[outcome]!;
  const run = from.run.slice();
  run[test] = 1;
  return { weights: from.weights.map((weight, h) => weight * chances[kinds[h]!]!), state, run };
}

/** After a repair that did not help: what it cures is ruled out. */
export function afterRepair(problem: PlanProblem, from: Situation, repair: number): Situation {
  const { cures, state } = problem.repairs[repair]!;
  const weights = from.weights.slice();
  for (const hypothesis of cures) weights[hypothesis] = 0;
  return { weights, state, run: from.run };
}

/** Does a test not yet run tell any of the hypotheses still possible apart? */
export function tells(problem: PlanProblem, { weights, run }: Situation, test: number): boolean {
  if (run[test] === 1) return false;
  const { kinds, outcomes } = problem.tests[test]!;
  for (const { chances } of outcomes) {
    let first = -1;
    for (let h = 0; h < weights.length; h += 1) {
      if (weights[h]! <= 0) continue;
      const chance = chances[kinds[h]!]!;
      if (first < 0) first = chance;
      else if (Math.abs(chance - first) > 1e-9) return true;
    }
  }
  return false;
}
