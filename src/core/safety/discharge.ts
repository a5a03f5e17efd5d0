import {
  type Farads,
  type Joules,
  type Ohms,
  requirePositive,
  type Seconds,
  type Volts,
  type Watts,
  Refusal,
} from '../quantity';

/** A charged capacitor and the resistance across it. */
export interface Discharge {
  readonly farads: Farads;
  readonly volts: Volts;
  readonly ohms: Ohms;
}

/**
 * Time until the capacitor voltage has fallen to `target`.
 *
 * First-order decay, t = RC·ln(V0/V). Ignores dielectric absorption: a large electrolytic
 * recovers 1–3 % within minutes, so the caller asks for a second reading.
 *
 * @returns seconds; 0 when already at or below `target`
 * @throws Refusal when a quantity is not positive and finite
 */
export function timeToFall({ farads, volts, ohms }: Discharge, target: Volts): Seconds {
  requirePositive({ farads, volts, ohms, target });
  return volts <= target ? 0 : ohms * farads * Math.log(volts / target);
}

/**
 * Voltage left after a time, v = V0·e^(−t/RC).
 *
 * @throws Refusal when a quantity is not positive and finite or the time is negative
 */
export function voltsAfter({ farads, volts, ohms }: Discharge, seconds: Seconds): Volts {
  requirePositive({ farads, volts, ohms });
  if (!(seconds >= 0)) throw new Refusal(`time must not be negative, not ${seconds}`);
  return volts * Math.exp(-seconds / (ohms * farads));
}

/** Energy held, ½CV². */
export function storedEnergy({ farads, volts }: Pick<Discharge, 'farads' | 'volts'>): Joules {
  return 0.5 * farads * volts ** 2;
}

/** What the discharge tool takes in its first instant, V0²/R. */
export function peakPower({ volts, ohms }: Pick<Discharge, 'volts' | 'ohms'>): Watts {
  return volts ** 2 / ohms;
}

/**
 * Time constant of a decay from two readings, τ = Δt / ln(V1/V2).
 *
 * @throws Refusal when the voltage did not fall
 */
export function timeConstant(first: Volts, second: Volts, apart: Seconds): Seconds {
  requirePositive({ first, second, apart });
  if (second >= first) throw new Refusal(`${second} V after ${first} V is no decay`);
  return apart / Math.log(first / second);
}
