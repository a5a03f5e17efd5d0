import { type Farads, type Hertz, requirePositive, type Volts } from '../quantity';

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
