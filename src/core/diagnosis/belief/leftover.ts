import { type Predictions } from '../../behaviour';
import { measures } from '../../measure';
import { type InsideEvidence } from '../../inside';
import { type Fault, type Sheet } from '../../sheet';
import { type Observation } from './case';
import { byEpisodes } from './fading';
import { fadingShare } from './fadingShare';
import { alike, besideOthers } from './beside';
import { keyOf } from './hypothesis';
import { type Explained, type Thought } from './several';
import { type Weighed, weighObservation } from './weighObservation';

/** One more fault beside those that repairs have dealt with. */
export interface Leftover extends Thought {
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
 * @param weighed the observations as they bear on single faults
 */
export function leftovers(
  predictions: Predictions,
  inside: readonly InsideEvidence[],
  observations: readonly Observation[],
  weighed: readonly Weighed[],
  explained: Explained,
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
  const thought = new Set(hypotheses.filter(({ sometimes }) => !sometimes).map(({ faults }) => keyOf(faults)));
  /** Log-likelihoods of the observations under an explanation with one more fault beside it. */
  const logsWith = (h: number, fault: Fault, fading: boolean) => {
    const gainOf = byEpisodes();
    return Float64Array.from(observations, (observation, o) => {
      const base = explained.logs[o]![h]!;
      const { check } = observation;
      const ofPart = check.point?.parts.includes(fault.part) === true;
      const asGood =
        base === weighed[o]!.untouched || hypotheses[h]!.faults.every(({ id }) => observation.cured.has(id));
      if (!(ofPart || asGood)) return base;
      const alone = { ...observation, cured: new Set<string>() };
      const { logOf } = weighObservation(predictions, inside, alone);
      const gain = logOf({ faults: [fault] }) - logOf({ faults: [] });
      return base + (fading && !('findsIntermittents' in measures[check.measure]) ? gainOf(observation, gain) : gain);
    });
  };
  return settled.flatMap((h) => {
    const { faults } = hypotheses[h]!;
    return besides(faults, sheet, prior, cured).flatMap(({ fault, chance }) => {
      const share = fadingShare(fault);
      const ways = [
        { fading: false, own: chance * (1 - share) },
        { fading: true, own: chance * share },
      ];
      return ways
        .filter(({ own, fading }) => own > 0 && (fading || !thought.has(keyOf([...faults, fault]))))
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
  sheet: Sheet,
  prior: ReadonlyMap<string, number>,
  cured: ReadonlySet<string>,
): { readonly fault: Fault; readonly chance: number }[] {
  const ways = new Set(found.flatMap((fault) => alike(fault, sheet.parts)?.way ?? []));
  const chanceOf = besideOthers(found, prior, sheet);
  return [...sheet.faults.values()]
    .filter((fault) => !cured.has(fault.id) && ways.has(alike(fault, sheet.parts)?.way ?? ''))
    .map((fault) => ({ fault, chance: chanceOf(fault) }));
}
