import { type Check } from '@/core/behaviour';
import { gaussian, type Random } from '@/core/statistics';
import { type MeterReading } from '../meterLine';

/** Readings of a sweep, and the periods it shows. */
export const sweepLength = 400;
const periods = 4.3;
const noise = 0.004;

/** What a report of turning or a drive pulse swings by, in volts, and the share of its period it stands high. */
const pulse = { volts: 4.6, duty: 0.35 };
/** Ripple at twice the mains on what the mains feeds, at a converter's rate on the low rails, in hertz. */
const rippled = { mains: 100, converter: 62_000, above: 60 };
/** Share of a period in which a reservoir is filled again. */
const filled = 0.2;

/**
 * What a sampler at a point would send: a sweep over some periods.
 *
 * @param value of the check: hertz, or volts from top to bottom of the ripple
 * @param standing volts that the ripple rides on
 */
export function samplerReadings(
  { measure, ground }: Check,
  value: number,
  standing: number,
  random: Random,
): MeterReading[] {
  const hertz =
    measure === 'hertz'
      ? value
      : ground === 'hot' || Math.abs(standing) > rippled.above
        ? rippled.mains
        : rippled.converter;
  // What stands still is swept as slowly as the mains.
  const rate = hertz > 1 ? hertz : rippled.mains;
  const shape =
    measure === 'hertz'
      ? (turn: number) => (hertz > 1 && turn < pulse.duty ? pulse.volts : 0)
      : (turn: number) => standing + value * ((turn < filled ? turn / filled : (1 - turn) / (1 - filled)) - 0.5);
  const size = measure === 'hertz' ? pulse.volts : Math.abs(value);
  const starts = random();
  return Array.from({ length: sweepLength }, (_, index) => {
    const at = (index * periods) / rate / sweepLength;
    const turn = (at * rate + starts) % 1;
    return { at, value: shape(turn) + noise * size * gaussian(random), unit: 'V' };
  });
}
