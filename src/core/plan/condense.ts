import { sumOf } from '../statistics';
import { mostTelling } from './information';
import { type PlanOutcome, type PlanProblem, type PlanRepair, type PlanTest } from './problem';
import { repairOrderer } from './repairOrder';
import { massOf, type Move, type Situation } from './situation';

/** A small problem that stands for a large one. */
export interface Condensed {
  readonly problem: PlanProblem;
  /** The move of the large problem that a move of the small one stands for; undefined for the lump's repair. */
  moveOf(move: Move): Move | undefined;
  /** Share of the chance that the kept hypotheses hold. */
  readonly kept: number;
}

/** Outcomes after which each hypothesis is as likely, within this, are not told apart. */
const alike = 0.05;
/** Outcomes that together are no likelier than this are not told apart either. */
const seldom = 0.05;

/**
 * The outcomes of a test, those taken together that leave much the same, and all that are seldom: each that is
 * walked by itself multiplies the walk.
 */
function fewerOutcomes(outcomes: readonly PlanOutcome[], weights: Float64Array): PlanOutcome[] {
  const chanceOf = ({ chances }: PlanOutcome) => sumOf(chances.keys(), (h) => weights[h]! * chances[h]!);
  const ranked = outcomes
    .map((outcome) => ({ outcome, chance: chanceOf(outcome) }))
    .sort((a, b) => b.chance - a.chance);
  let left = sumOf(ranked, ({ chance }) => chance);
  const most = seldom * left;
  const together = new Map<string, PlanOutcome>();
  for (const { outcome, chance } of ranked) {
    const after = outcome.chances.map((one, h) => Math.round((weights[h]! * one) / chance / alike));
    const said = left <= most ? 'seldom' : after.join();
    const known = together.get(said);
    together.set(
      said,
      known ? { name: known.name, chances: known.chances.map((one, h) => one + outcome.chances[h]!) } : outcome,
    );
    left -= chance;
  }
  return [...together.values()];
}

/**
 * Keeps the likeliest hypotheses and the tests that tell most for their cost. All other hypotheses
 * become one lump: it answers tests as they would on average, and costs what repairing them in the
 * best order would. Outcomes that hardly come up are taken together.
 */
export function condense(problem: PlanProblem, at: Situation, hypotheses: number, tests: number): Condensed {
  const { weights, state } = at;
  const mass = massOf(weights);
  const order = [...weights.keys()].filter((h) => weights[h]! > 0).sort((a, b) => weights[b]! - weights[a]!);
  const kept = order.slice(0, hypotheses);
  const rest = order.slice(hypotheses);
  const lump = sumOf(rest, (h) => weights[h]!);
  const lumped = lump > mass * 1e-9;
  const chosen = mostTelling(problem, at).slice(0, tests);

  const indexOf = new Map(kept.map((h, index) => [h, index]));
  const repairs = problem.repairs.flatMap((repair, index) => {
    const cures = repair.cures.flatMap((h) => indexOf.get(h) ?? []);
    return cures.length > 0 ? [{ index, repair: { ...repair, cures } }] : [];
  });
  const ofRest = new Float64Array(weights.length);
  for (const h of rest) ofRest[h] = weights[h]!;
  const restRepair = lumped ? repairOrderer(problem)(ofRest, state) : undefined;
  const lumpRepair: PlanRepair[] = restRepair
    ? [{ id: 'the rest', cost: restRepair.cost, state: restRepair.first?.state ?? state, cures: [kept.length] }]
    : [];
  const average = (of: (h: number) => number) => sumOf(rest, (h) => weights[h]! * of(h)) / lump;
  const ofKept = (of: (h: number) => number) => Float64Array.from([...kept.map(of), ...(lumped ? [average(of)] : [])]);
  const harmOfKept = (harm: Float64Array) => ofKept((h) => harm[h]!);
  const weightsOfKept = Float64Array.from([...kept.map((h) => weights[h]! / mass), ...(lumped ? [lump / mass] : [])]);
  const testOfKept = (test: PlanTest): PlanTest => ({
    id: test.id,
    cost: test.cost,
    state: test.state,
    ...(test.harm ? { harm: harmOfKept(test.harm) } : {}),
    // Of so few, each is a kind of its own.
    kinds: Int32Array.from(weightsOfKept.keys()),
    outcomes: fewerOutcomes(
      test.outcomes.map(({ name, chances }) => ({ name, chances: ofKept((h) => chances[test.kinds[h]!]!) })),
      weightsOfKept,
    ),
  });
  return {
    problem: {
      weights: weightsOfKept,
      tests: chosen.map(({ test }) => testOfKept(problem.tests[test]!)),
      repairs: [...repairs.map(({ repair }) => repair), ...lumpRepair],
      ...(problem.trialHarm ? { trialHarm: harmOfKept(problem.trialHarm) } : {}),
      state,
      switchCost: problem.switchCost,
    },
    moveOf: ({ kind, index }) =>
      kind === 'test'
        ? { kind, index: chosen[index]!.test }
        : index < repairs.length
          ? { kind, index: repairs[index]!.index }
          : undefined,
    kept: 1 - lump / mass,
  };
}
