import { type Predictions } from '../../behaviour';
import { answerText, expectedText } from '../../reading';
import { type Evidence } from './evidence';

/** One reason for or against a suspect, in words. */
export interface Reason {
  readonly raises: boolean;
  /** `Vscan -121.4 V, not -168 V ±3 %`. */
  readonly text: string;
  /** How many times likelier (or, when it lowers, unlikelier) than under the others. */
  readonly factor: number;
}

/** A factor beyond this says no more. */
const mostFactor = 999;

/** Evidence as reasons, strongest first. */
export function reasonsFrom(predictions: Predictions, evidence: readonly Evidence[]): Reason[] {
  return evidence.map(({ observation, bits }) => {
    const { check, answer, context, words } = observation;
    const factor = Math.min(mostFactor, 2 ** Math.abs(bits));
    if (words !== undefined) return { raises: bits > 0, text: words, factor };
    const given = answerText(check, answer);
    const expected = expectedText(predictions, check, context);
    const told = given === expected || answer.kind === 'picture' ? given : `${given}, a good set gives ${expected}`;
    return {
      raises: bits > 0,
      text: answer.kind === 'picture' ? given : `${check.title} ${told}`,
      factor,
    };
  });
}
