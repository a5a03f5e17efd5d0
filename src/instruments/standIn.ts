import { type Check, type Expectation } from '@/core/behaviour';
import { gaussian, type Random } from '@/core/chance';
import { answerFrom } from '@/core/practice';
import { type MeterReading } from './meterLine';

/** Readings a second, and for how long the stand-in sends them. */
export const standInRate = 10;
const seconds = 6;

/** Noise of a reading at rest, how a meter follows the touch, and how a brief rail stands and goes, in seconds. */
const noise = 0.002;
const follows = 0.12;
const stands = 1.3;
const tail = 0.15;
/** Chance that the probe slips once as it is put on. */
const bounces = 0.2;
const count = 0.0004;

/**
 * What a meter on a check of a simulated set would send: the touch, now and then a bounce, the value at
 * rest, or a rail that is there at the start and then taken away.
 */
export function standInReadings(check: Check, expectation: Expectation, random: Random): MeterReading[] {
  const answer = answerFrom(expectation, noise, random);
  if (answer.kind !== 'number') return [];
  const slips = random() < bounces ? 0.2 + 0.3 * random() : undefined;
  const { value, shape } = answer;
  return Array.from({ length: seconds * standInRate }, (_, index): MeterReading => {
    const at = index / standInRate;
    const unit = check.unit;
    if (value === Infinity) return { at, value, unit };
    const off = slips !== undefined && at >= slips && at < slips + 0.2;
    const level =
      shape === 'brief' && at > stands
        ? value * Math.exp(-(at - stands) / tail)
        : value * (1 - Math.exp(-at / follows));
    const shown = off ? 0 : level;
    return { at, value: shown + (noise * Math.abs(shown) + count) * gaussian(random), unit };
  });
}

/** The discharge resistor takes about so long on any store, in seconds, and leaves so many volts. */
const dischargeTime = 0.25;
const left = 2.4;

/** What a meter on a store would send while it is discharged through a resistor. */
export function dischargeReadings(volts: number, random: Random): MeterReading[] {
  return Array.from({ length: seconds * standInRate }, (_, index) => {
    const at = index / standInRate;
    const falls = Math.abs(volts) * Math.exp(-at / dischargeTime) + left;
    return { at, value: falls * (1 + noise * (2 * random() - 1)), unit: 'V' };
  });
}
