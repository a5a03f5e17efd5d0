import { type Farads, type Ohms, type Volts, Refusal } from '../quantity';

/** Kinds of electrolytics by how little ESR they are made for. */
export type CapacitorSeries = 'general' | 'low' | 'polymer';

/** ESR of a series against a general one of the same capacitance and voltage. */
const shares: Readonly<Record<CapacitorSeries, number>> = { general: 1, low: 0.4, polymer: 0.1 };
/** Leads and tabs alone, in ohms. */
const leads: Readonly<Record<CapacitorSeries, Ohms>> = { general: 0.02, low: 0.012, polymer: 0.006 };

/** Rated voltage at which ESR is least. */
const leastAt: Volts = 63;

/**
 * The most ESR a good electrolytic shows at 100 kHz and room temperature.
 *
 * A fit to the usual tables of 105 °C types: 0.32 Ω for a general one of 100 µF 35 V, falling as C^−0.6
 * (the can grows more slowly than the capacitance) and as V^−0.3 up to 63 V. Beyond, thicker foil and another
 * electrolyte bring it up again, threefold at 250 V and fourfold from 350 V on: 10 µF 250 V at 2.5 Ω and 220 µF
 * 400 V at 0.35 Ω are good. Never under its leads; those made for low ESR show four tenths, polymer ones a tenth.
 *
 * @throws Refusal when a quantity is not positive
 */
export function esrLimit(farads: Farads, volts: Volts, series: CapacitorSeries = 'general'): Ohms {
  if (!(farads > 0) || !(volts > 0)) throw new Refusal('capacitance and voltage must be positive');
  const byVolts = (35 / Math.min(volts, leastAt)) ** 0.3 * Math.min(4, Math.max(1, volts / leastAt) ** 0.8);
  return Math.max(leads[series], shares[series] * 0.32 * (100e-6 / farads) ** 0.6 * byVolts);
}
