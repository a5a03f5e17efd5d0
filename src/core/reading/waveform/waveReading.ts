import { type Measure, measures } from '../../measure';
import { type Check } from '../../behaviour';
import { formatQuantity } from '../../quantity';
import { type Waveform } from './waveform';

/** What a sweep reads for a way of measuring, in its unit; undefined where a sweep does not tell it. */
export function waveReading(wave: Waveform, measure: Measure): number | undefined {
  const way = measures[measure];
  return way.kind === 'number' ? way.swept?.(wave) : undefined;
}

/** Does a sweep tell a way of measuring? */
function isSwept(measure: Measure): boolean {
  const way = measures[measure];
  return way.kind === 'number' && way.swept !== undefined;
}

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
  return [check, ...others].filter(({ measure }) => isSwept(measure));
}
