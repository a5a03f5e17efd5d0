import { measures } from '../measure';
import { type Check, type Context, type Predictions } from '../behaviour';
import { type Ohms } from '../quantity';

/** A range that ends this many times above what is right reads an open one; at the last of a meter's ranges all do. */
const wellAbove = 20;
const lastRange: Ohms = 20e6;
const anyRange: Ohms = 1e6;

/**
 * Does a meter beyond its range read an open one? Where it reads volts or hertz, and where a part of some
 * kilohms is read in ohms, a higher range may show more.
 *
 * @param range its end, in the unit of the check; undefined where the meter does not say
 */
export function readsOpen(
  predictions: Predictions,
  check: Check,
  context: Context,
  range: number | undefined,
): boolean {
  const way = measures[check.measure];
  if (way.kind !== 'number' || way.beyondRange === undefined) return false;
  if (way.beyondRange === 'open' || range === undefined) return true;
  const standard = predictions.standard(check, context);
  const nominal = standard.kind === 'number' ? standard.nominal : Infinity;
  return range >= (Number.isFinite(nominal) ? Math.min(lastRange, wellAbove * nominal) : anyRange);
}
