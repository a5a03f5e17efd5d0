import { type Farads, type Henries, type Hertz, requirePositive, Refusal } from '../quantity';

/** f = 1/(2π√(LC)). @throws Refusal */
export function resonance(inductance: Henries, capacitance: Farads): Hertz {
  requirePositive({ inductance, capacitance });
  return 1 / (2 * Math.PI * Math.sqrt(inductance * capacitance));
}

/** A capacitor tried across a tuned can, and where the slug peaked with it, in turns from any mark. */
export interface CanTrial {
  readonly farads: Farads;
  readonly turns: number;
}

/**
 * The capacitor with which the slug would peak at `wanted` turns, from two that were tried.
 *
 * The can is tuned where L·C is what the set wants. Over the slug's travel ln L goes about straight
 * with its turns, so ln C does, too.
 *
 * @throws Refusal when both trials peaked at one place
 */
export function nextCanCapacitor([one, other]: readonly [CanTrial, CanTrial], wanted: number): Farads {
  requirePositive({ 'first capacitor': one.farads, 'second capacitor': other.farads });
  if (one.turns === other.turns) throw new Refusal('both peaked at the same place: try a capacitor further away');
  const share = (wanted - one.turns) / (other.turns - one.turns);
  return one.farads * (other.farads / one.farads) ** share;
}
