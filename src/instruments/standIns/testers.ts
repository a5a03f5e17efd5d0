import { type Check } from '@/core/behaviour';
import { gaussian, type Random } from '@/core/statistics';
import { type MeterReading } from '../meterLine';
import { standInRate, standInSeconds } from './multimeter';

/** A tester searches for so long before it shows anything, in seconds. */
const searches = 0.5;
/** The last digit of each tester, in the unit it reads. */
const digits = { esr: 0.01, diode: 0.001, rings: 1 } as const;
/** Scatter from test to test: a share, and a share of the last digit. */
const scatter = { share: 0.004, digit: 0.3 };
/** A tester measures anew so often, in seconds. */
const again = 0.4;

/**
 * What a tester for ESR, junctions or rings would send: beyond its range while it searches and where
 * nothing is found, then whole steps of its last digit, a new test every now and then.
 */
export function testerReadings({ unit, measure }: Check, value: number, random: Random): MeterReading[] {
  const digit = digits[measure as keyof typeof digits] ?? 0.001;
  let shown = value;
  let measuredAt = -Infinity;
  return Array.from({ length: standInSeconds * standInRate }, (_, index): MeterReading => {
    const at = index / standInRate;
    if (!Number.isFinite(value) || at < searches) return { at, value: Infinity, unit };
    if (at - measuredAt >= again) {
      const found = value + (scatter.share * Math.abs(value) + scatter.digit * digit) * gaussian(random);
      shown = Math.max(0, Math.round(found / digit)) * digit;
      measuredAt = at;
    }
    return { at, value: Number(shown.toPrecision(6)), unit };
  });
}
