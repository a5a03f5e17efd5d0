import { type Predictions } from '../../behaviour';
import { measures } from '../../measure';
import { type InsideEvidence } from '../../inside';
import { type Fault, type Sheet } from '../../sheet';
import { sumOf } from '../../statistics';
import { type Observation } from './case';
import { fadingShare } from './fadingShare';
import { ageing, type Hypothesis, sameCause } from './pairs';
import { type Weighed, weighObservation } from './weighObservation';

/** One more fault beside those that repairs have dealt with. */
export interface Leftover {
  readonly hypothesis: Hypothesis;
  /** Logarithm of its prior weight. */
  readonly prior: number;
  /** Log-likelihood of each observation. */
  readonly logs: Float64Array;
}

/** So many explanations that repairs have dealt with are asked for what they left. */
const mostExplained = 3;
/** Less likely explanations are not. */
const leastExplained = 0.02;

/**
 * What else may have gone the same way as what was put right, where a pair does not say it already: beside two or more
 * that were found, and beside one that came and went.
 *
 * The more have gone, the likelier is one more. What was read before the last repair says of it what it would have
 * shown beside the others: on its own part, and where they left the set as if good.
 *
 * @param explained hypotheses with their logarithms of the prior, their weights, and their log-likelihoods by observation
 * @param weighed the observations as they bear on single faults
 */
export function leftovers(
  predictions: Predictions,
  inside: readonly InsideEvidence[],
  observations: readonly Observation[],
  weighed: readonly Weighed[],
  explained: {
    readonly hypotheses: readonly Hypothesis[];
    readonly priors: Float64Array;
    readonly weights: Float64Array;
    readonly logs: readonly Float64Array[];
  },
  prior: ReadonlyMap<string, number>,
  cured: ReadonlySet<string>,
): Leftover[] {
  const { sheet } = predictions.model;
  const { hypotheses, weights } = explained;
  const settled = [...hypotheses.keys()]
    .filter((h) => {
      const { faults, despite, sometimes } = hypotheses[h]!;
      const told = !despite && (faults.length > 1 || sometimes === true);
      return told && weights[h]! > leastExplained && faults.every(({ id }) => cured.has(id));
    })
    .sort((a, b) => weights[b]! - weights[a]!)
    .slice(0, mostExplained);
  /** Log-likelihoods of the observations under an explanation with one more fault beside it. */
  const logsWith = (h: number, fault: Fault, fading: boolean) =>
    Float64Array.from(observations, (observation, o) => {
      const base = explained.logs[o]![h]!;
      const { check } = observation;
      const rests = fading && !('findsIntermittents' in measures[check.measure]);
      const ofPart = check.point?.parts.includes(fault.part) === true;
      const asGood =
        base === weighed[o]!.untouched || hypotheses[h]!.faults.every(({ id }) => observation.cured.has(id));
      if (rests || !(ofPart || asGood)) return base;
      const alone = { ...observation, cured: new Set<string>() };
      const { logOf } = weighObservation(predictions, inside, alone);
      return base + logOf({ faults: [fault] }) - logOf({ faults: [] });
    });
  return settled.flatMap((h) => {
    const { faults } = hypotheses[h]!;
    return besides(faults, sheet, prior, cured).flatMap(({ fault, chance }) => {
      const share = fadingShare(fault);
      const ways = [
        { fading: false, own: chance * (1 - share) },
        { fading: true, own: chance * share },
      ];
      return ways
        .filter(({ own }) => own > 0)
        .map(({ fading, own }): Leftover => ({
          hypothesis: { faults: [...faults, fault], ...(fading ? { sometimes: true as const } : {}) },
          prior: explained.priors[h]! + Math.log(own),
          logs: logsWith(h, fault, fading),
        }));
    });
  });
}

/** What may have gone the same way as some faults, and was not dealt with, with its chance. */
function besides(
  found: readonly Fault[],
  { faults, parts }: Sheet,
  prior: ReadonlyMap<string, number>,
  cured: ReadonlySet<string>,
): { readonly fault: Fault; readonly chance: number }[] {
  const ways = new Map<string, number>();
  for (const fault of found) {
    const way = ageing(fault, parts);
    if (way !== undefined) ways.set(way, (ways.get(way) ?? 0) + 1);
  }
  return [...ways].flatMap(([way, count]) => {
    const left = [...faults.values()].filter((fault) => ageing(fault, parts) === way && !cured.has(fault.id));
    const all = sumOf(left, ({ id }) => prior.get(id)!);
    const oneMore = 1 - (1 - sameCause) ** count;
    return left.map((fault) => ({ fault, chance: (oneMore * prior.get(fault.id)!) / all }));
  });
}
