import { type Ohms, requirePositive } from '../quantity';

const kelvin = 273.15;

/**
 * Resistance of an NTC at a temperature, R = R25·e^(B·(1/T − 1/298 K)).
 *
 * @param celsius of the thermistor
 * @throws Refusal when a quantity is not positive
 */
export function ntcOhms(at25: Ohms, b: number, celsius: number): Ohms {
  requirePositive({ resistance: at25, B: b, 'absolute temperature': celsius + kelvin });
  return at25 * Math.exp(b * (1 / (celsius + kelvin) - 1 / (25 + kelvin)));
}
