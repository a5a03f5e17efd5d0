import { type PlanProblem, type PlanTest } from './problem';
import { massOf, moveCost, moveHarm, type Situation } from './situation';

/** How much a test is expected to tell. */
export interface Telling {
  readonly test: number;
  /** Expected fall of the entropy of the hypotheses, in bits. */
  readonly bits: number;
  /** The test with the change of state it needs. */
  readonly cost: number;
  /** What it is expected to do to the set, reckoned in minutes. */
  readonly harm: number;
  /** Chance of each outcome, in the order of the test's outcomes. */
  readonly chances: readonly number[];
}

/** A test that tells less is not worth naming. */
const leastBits = 1e-5;

const known = new WeakMap<PlanTest, Float64Array>();

/** How uncertain a test's outcome is under each kind of hypothesis, in bits. */
function doubtOf(test: PlanTest): Float64Array {
  let doubt = test.doubt ?? known.get(test);
  if (!doubt) {
    const sums = new Float64Array(test.outcomes[0]?.chances.length ?? 0);
    for (const { chances } of test.outcomes)
      chances.forEach((chance, kind) => {
        if (chance > 0) sums[kind]! -= chance * Math.log2(chance);
      });
    known.set(test, (doubt = sums));
  }
  return doubt;
}

/** What the hypotheses of each kind weigh together. */
function massOfKinds({ kinds, outcomes }: PlanTest, weights: Float64Array): Float64Array {
  const masses = new Float64Array(outcomes[0]?.chances.length ?? 0);
  for (let h = 0; h < weights.length; h += 1) masses[kinds[h]!]! += weights[h]!;
  return masses;
}

/**
 * What a test is expected to tell about the hypotheses, in bits: how uncertain its outcome is, less
 * how uncertain it would be if the truth were known (mutual information is symmetric).
 */
function tellingOf(test: PlanTest, weights: Float64Array, mass: number): Pick<Telling, 'bits' | 'chances'> {
  const doubt = doubtOf(test);
  const ofKinds = massOfKinds(test, weights);
  let known = 0;
  for (let kind = 0; kind < ofKinds.length; kind += 1) known += ofKinds[kind]! * doubt[kind]!;
  let uncertain = 0;
  const chances = test.outcomes.map((outcome) => {
    let chance = 0;
    for (let kind = 0; kind < ofKinds.length; kind += 1) chance += ofKinds[kind]! * outcome.chances[kind]!;
    if (chance > 0) uncertain -= (chance / mass) * Math.log2(chance / mass);
    return chance;
  });
  return { bits: uncertain - known / mass, chances };
}

/** The tests not yet run that tell something, the most information for its cost first. */
export function mostTelling(problem: PlanProblem, at: Situation): Telling[] {
  const mass = massOf(at.weights);
  const found: Telling[] = [];
  for (let index = 0; index < problem.tests.length; index += 1) {
    if (at.run[index] === 1) continue;
    const { bits, chances } = tellingOf(problem.tests[index]!, at.weights, mass);
    if (bits <= leastBits) continue;
    const move = { kind: 'test', index } as const;
    found.push({
      test: index,
      bits,
      cost: moveCost(problem, at.state, move),
      harm: moveHarm(problem, at, move) / mass,
      chances,
    });
  }
  return found.sort((a, b) => b.bits / (b.cost + b.harm) - a.bits / (a.cost + a.harm));
}
