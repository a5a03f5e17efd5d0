import { type Farads, type Hertz, requirePositive, type Volts, type Watts } from '../quantity';

/** A rectifier's reservoir under load. `charges` a second: twice the mains frequency for a bridge. */
export interface Reservoir {
  readonly amperes: number;
  readonly charges: Hertz;
}

/** Ripple peak to peak, ΔV = I/(f·C): the most it can be, as if charging took no time. @throws Refusal */
export function reservoirRipple({ amperes, charges }: Reservoir, farads: Farads): Volts {
  requirePositive({ amperes, charges, farads });
  return amperes / (charges * farads);
}

/** The capacitance that keeps the ripple to `volts` peak to peak. @throws Refusal */
export function reservoirFor({ amperes, charges }: Reservoir, volts: Volts): Farads {
  requirePositive({ amperes, charges, volts });
  return amperes / (charges * volts);
}

/** A reservoir held up by a boosting front end, which takes its current in step with the mains. */
export interface BoostedReservoir {
  readonly watts: Watts;
  readonly volts: Volts;
  /** Of the mains. */
  readonly mains: Hertz;
}

/**
 * Ripple peak to peak at twice the mains frequency: the power drawn follows the square of a sine, so what the capacitor
 * gives and takes in a half period of it is P/(2πf·V), and ΔV = P/(2πf·C·V).
 *
 * @throws Refusal
 */
export function boostedRipple({ watts, volts, mains }: BoostedReservoir, farads: Farads): Volts {
  requirePositive({ watts, volts, mains, farads });
  return watts / (2 * Math.PI * mains * farads * volts);
}
