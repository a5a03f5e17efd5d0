import { toleranceWidth } from '../../quantity';
import { type Expectation, number, settled } from '../expectation';
import { deadRatio } from '../netState';
import { type Limits } from '../standard';
import { type MeasuredNet } from '../way';

/** Chance that a rail that is up for a second is caught by the meter. */
const caught = 0.8;
/** A set with a lamp in series runs on about this share of its rails, give or take. */
const underLamp = { share: 0.85, sigma: 0.15 };
/** A value smaller than this share of nominal counts as nothing there. */
const deadShare = 0.06;

/** Spread of a meter on a dead net, in volts: pick-up and leakage. */
export const deadSigma = (nominal: number): number => 0.012 * Math.abs(nominal) + 0.02;

/** What is dead may float, be fed backwards or sit a little below ground. */
const afloat = { chance: 0.22, sigma: 0.08 };

/** What is guessed may be off by this share beside its tolerance, and is right within that much at least. */
const guessSpread = 0.05;
const leastOfGuess = 0.12;

/** What a net gives in volts, direct or alternating. */
export function voltsOfNet({ nominal, tolerance, guessed, state, reached, lamp }: MeasuredNet): Expectation {
  if (!reached) return number('linear', settled(0, deadSigma(nominal)));
  const size = Math.abs(nominal);
  const good = Math.hypot(toleranceWidth(tolerance, nominal) / 2.5 + 0.004 * size, guessed ? guessSpread * size : 0);
  if (state.brief) {
    return number(
      'linear',
      { chance: caught, value: nominal * state.peak, sigma: 0.12 * size, shape: 'brief' },
      settled(0, deadSigma(nominal), 1 - caught),
    );
  }
  if (state.ratio < deadRatio)
    return number(
      'linear',
      settled(nominal * state.ratio, deadSigma(nominal), 1 - afloat.chance),
      settled(0, afloat.sigma * size, afloat.chance),
    );
  if (lamp) return number('linear', settled(nominal * state.ratio * underLamp.share, underLamp.sigma * size));
  const healthy = Math.abs(state.ratio - 1) * size <= toleranceWidth(tolerance, nominal);
  // A faulty rail lands near its ratio, not on it; the further off, the less certain.
  const off = Math.min(0.12, 0.45 * Math.abs(state.ratio - 1) + 0.01) * size;
  return number('linear', settled(nominal * state.ratio, healthy ? good : Math.max(good, off)));
}

/** Volts and rates are right within the tolerance of their point. */
export function withinTolerance(
  net: Pick<MeasuredNet, 'nominal' | 'tolerance' | 'guessed' | 'lamp'>,
  nominal: number,
): Limits {
  const size = Math.abs(nominal);
  const full = Math.abs(net.nominal);
  if (size < 0.01 * full) return { deadBelow: 0, lowBelow: 0, highAbove: Math.max(0.05 * full, 0.05) };
  const allowed = Math.max(toleranceWidth(net.tolerance, nominal), net.guessed ? leastOfGuess * size : 0);
  const width = net.lamp ? 0.4 * size : allowed;
  return { deadBelow: deadShare * size, lowBelow: size - width, highAbove: size + width };
}
