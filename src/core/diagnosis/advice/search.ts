import { type Case, outcomesOf, showing } from '../belief';
import { liveCold } from '../../behaviour';
import { measures } from '../../measure';
import { type Minutes } from '../../quantity';
import { sum, sumOf } from '../../statistics';
import { type Probe } from './probes';
import { type OpenFaults } from './problem';

/** What a set costs that comes back: an hour at the bench, and small parts worth a quarter of one. */
const comingBack: Minutes = 75;
/** What is less likely to be left is not worth a thought. */
const leastLeft = 0.02;

/**
 * The probe worth its minutes on a set that seems cured: what may be left in it would show there, and be spared its
 * coming back. Undefined where none is.
 */
export function worthSearching<One extends { readonly probe: Probe; readonly minutes: Minutes }>(
  { predictions }: Pick<Case, 'predictions'>,
  { sets, weights, fading, mass }: OpenFaults,
  probes: readonly One[],
): One | undefined {
  if (mass <= leastLeft) return undefined;
  const withGood = [...sets, []];
  /** How far what is left, and a good set, differ in what they give: the total variation between the two. */
  const apart = ({ probe: { check, context } }: One) => {
    // What comes and goes is not there now: only what provokes it, or sees it at rest, tells.
    const finds = 'findsIntermittents' in measures[check.measure];
    const shown = weights.map((weight, set) => (finds ? weight : weight * (1 - fading[set]!)));
    const all = sum(shown);
    const { kinds, outcomes } = outcomesOf(predictions, check, context, withGood);
    const good = kinds[sets.length]!;
    return sumOf(outcomes, ({ chances }) =>
      Math.max(
        0,
        shown.reduce((total, weight, set) => total + weight * chances[kinds[set]!]!, 0) - all * chances[good]!,
      ),
    );
  };
  const gain = (probe: One) => mass * apart(probe) * comingBack - probe.minutes;
  const [best] = probes
    .filter(({ minutes }) => minutes < mass * comingBack)
    .map((probe) => ({ probe, gain: gain(probe) }))
    .sort((a, b) => b.gain - a.gain);
  return best && best.gain > 0 ? best.probe : undefined;
}

/** To switch a set off and on again, and look at it. */
const lookAgain: Minutes = 3.5;
/** More is a matter for a soak. */
const mostSwitchings = 4;

/**
 * How often a set that seems cured is worth switching off and on again before that is believed: what comes and goes and
 * was not dealt with shows at most of them, and is spared its coming back. 0 where none is: what no picture shows is not
 * found by looking again.
 */
export function switchingsWorth(
  { predictions }: Pick<Case, 'predictions'>,
  { sets, weights, fading, mass }: OpenFaults,
): number {
  const picture = predictions.checks.get('picture')!;
  const shows = (set: number) => {
    const seen = predictions.expectationOf(sets[set]!, picture, liveCold);
    return seen.kind === 'picture' && (!seen.symptoms.has('normal') || seen.sure === 0);
  };
  const mayShow = (set: number) => (fading[set]! > 0 && shows(set) ? weights[set]! * fading[set]! : 0);
  let left = mass * sumOf(weights.keys(), mayShow);
  let switchings = 0;
  while (switchings < mostSwitchings && left * showing * comingBack > lookAgain) {
    left *= 1 - showing;
    switchings += 1;
  }
  return switchings;
}
