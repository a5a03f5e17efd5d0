import { instruments } from '../../quantity';
import { type Answer, type Expectation, type Standard } from '../../measure';
import { likelihood, outlierLikelihood } from './likelihood';

/** Share by which two numbers that say the same may differ. */
export const agreeing = 0.1;

/** Chance that what a set shows is named in the same words a second time. */
const namedAgain = 0.9;

/** Do two readings of one check say the same? */
export function agree(one: Answer, other: Answer): boolean {
  if (one.kind === 'number' && other.kind === 'number')
    return (
      one.shape === other.shape &&
      (one.value === other.value ||
        // Nothing but OL agrees with OL.
        Math.abs(one.value - other.value) < agreeing * Math.max(Math.abs(one.value), Math.abs(other.value)))
    );
  if (one.kind === 'choice' && other.kind === 'choice') return one.choice === other.choice;
  return one.kind === 'picture' && other.kind === 'picture' && one.symptoms.join() === other.symptoms.join();
}

/** How likely it is, on the scale of `likelihood`, that a reading comes out as it did before with nothing changed. */
function sameAgain(answer: Answer, standard: Standard): number {
  if (answer.kind !== 'number' || standard.kind !== 'number') return namedAgain;
  if (standard.scale === 'log') return 1 / Math.log10((1 + agreeing) / (1 - agreeing));
  const size = Number.isFinite(answer.value) ? Math.abs(answer.value) : standard.nominal;
  return 1 / (2 * agreeing * Math.max(size, 10 * instruments.multimeter.step));
}

/**
 * How likely an answer is where the same was read before and a hypothesis lets nothing change in between: what a set
 * really does it does again, however unlikely it was the first time; a slip is independent each time.
 *
 * @param first the reading before, with its chance to be a slip
 * @param borneOut how often it has been read again since, with the same result
 * @param fresh how likely the answer would be by itself
 */
export function likelihoodOfStanding(
  first: { readonly answer: Answer; readonly outlierChance: number },
  borneOut: number,
  expected: Expectation,
  standard: Standard,
  fresh: number,
): number {
  const again = sameAgain(first.answer, standard);
  const slip = outlierLikelihood(first.answer, standard, first.outlierChance);
  const meant = Math.max(0, likelihood(first.answer, expected, standard, first.outlierChance) - slip);
  const slipped = slip * Math.min(1, fresh / again) ** borneOut;
  return (meant * again + slipped * fresh) / (meant + slipped);
}
