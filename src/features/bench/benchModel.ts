import { type Check, type Context, type Predictions } from '@/core/behaviour';
import { type ProbeAdvice } from '@/core/diagnosis';
import { type Picture, type Symptom } from '@/core/picture';
import { expectedText } from '@/core/reading';

/** A picture the set may show. */
export interface SeenPicture {
  readonly id: string;
  readonly title: string;
  readonly symptoms: readonly Symptom[];
  readonly picture: Picture;
}

/** How a probe is set up, in one sentence. */
export function instruction(
  predictions: Predictions,
  check: Check,
  context: Context,
): { where: string; expected: string } {
  return { where: check.where, expected: expectedText(predictions, check, context) };
}

/** Why a probe comes first, in a few words. */
export function whyProbe(advice: ProbeAdvice): string {
  if (advice.doubt !== undefined) return 'its reading speaks against all the others: take it again';
  if (advice.readAtRest) return 'it was read while what comes and goes was likely away: once more';
  if (advice.saves >= 0.5) return `saves about ${Math.round(advice.saves)} min against repairing now`;
  return advice.bits > 0.5 ? 'splits the suspects well for its time' : 'tells a little';
}
