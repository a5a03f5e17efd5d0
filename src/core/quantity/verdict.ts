import { toleranceWidth, type Tolerance } from './tolerance';

/** How a reading stands against what should be there. */
export type Verdict = 'within' | 'high' | 'low' | 'dead' | 'odd' | 'open';

/** A verdict with the distance that led to it. */
export interface Judged {
  readonly verdict: Verdict;
  /** (value − nominal) / |nominal|, positive when larger in size; absent where nominal is 0 or the value is OL. */
  readonly deviation?: number;
}

/** A value smaller than this share of nominal counts as nothing there. */
export const deadShare = 0.06;

/**
 * Judges a value against nominal ± tolerance.
 *
 * Size counts, not sign: −121 V where −168 V belongs is low. The wrong sign is odd.
 */
export function judge(value: number, nominal: number, tolerance: Tolerance): Judged {
  if (value === Infinity) return { verdict: nominal === Infinity ? 'within' : 'open' };
  if (nominal === Infinity) return { verdict: 'low' };
  const width = toleranceWidth(tolerance, nominal);
  if (nominal === 0) return { verdict: Math.abs(value) <= width ? 'within' : 'high' };
  const deviation = value / nominal - 1;
  if (Math.abs(value - nominal) <= width * (1 + 1e-9)) return { verdict: 'within', deviation };
  if (Math.abs(value) < deadShare * Math.abs(nominal)) return { verdict: 'dead', deviation };
  if (value / nominal < 0) return { verdict: 'odd', deviation };
  return { verdict: deviation > 0 ? 'high' : 'low', deviation };
}
