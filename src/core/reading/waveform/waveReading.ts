import { type Check } from '../../behaviour';
import { formatQuantity } from '../../quantity';
import { type Measure } from '../../sheet';
import { type Waveform } from './waveform';

/** What a sweep reads for each way of measuring that it can stand in for, in its unit. */
const readers: Readonly<Partial<Record<Measure, (wave: Waveform) => number>>> = {
  ripple: ({ peakToPeak }) => peakToPeak,
  hertz: ({ hertz }) => hertz ?? 0,
  dc: ({ mean }) => mean,
  ac: ({ rms }) => rms,
};

/** What a sweep reads for a way of measuring, in its unit; undefined where a sweep does not tell it. */
export const waveReading = (wave: Waveform, measure: Measure): number | undefined => readers[measure]?.(wave);

/** A sweep in a line. */
export const waveText = ({ peakToPeak, mean, hertz }: Waveform): string =>
  [
    `${formatQuantity(peakToPeak, 'V')} top to bottom`,
    hertz === undefined ? 'no period' : formatQuantity(hertz, 'Hz'),
    `on ${formatQuantity(mean, 'V')}`,
  ].join(', ');

/** The checks that one sweep at the place of `check` reads, `check` itself first. */
export function checksSwept(checks: ReadonlyMap<string, Check>, check: Check): Check[] {
  const { point } = check;
  const others = [...checks.values()].filter(
    (one) =>
      one.id !== check.id &&
      point?.net !== undefined &&
      one.point?.net === point.net &&
      one.where === check.where &&
      one.ground === check.ground &&
      one.state === check.state,
  );
  return [check, ...others].filter(({ measure }) => readers[measure] !== undefined);
}
