import { type Farads, type Ohms, type Volts } from '../quantity';

/**
 * The most ESR a good general-purpose electrolytic shows at 100 kHz and room temperature.
 *
 * A fit to the tables of 105 °C low-impedance types: 0.32 Ω at 100 µF 35 V, falling as C^−0.6
 * (the can grows more slowly than the capacitance) and as V^−0.3, never under 20 mΩ (leads).
 *
 * @throws RangeError when a quantity is not positive
 */
export function esrLimit(farads: Farads, volts: Volts): Ohms {
  if (!(farads > 0) || !(volts > 0)) throw new RangeError('capacitance and voltage must be positive');
  return Math.max(0.02, 0.32 * (100e-6 / farads) ** 0.6 * (35 / volts) ** 0.3);
}
