import { nearestPreferred, preferredWithin, requirePositive, type Series } from '../quantity';

/** Two preferred values that come near a wanted one together. */
export interface Pair {
  readonly how: 'series' | 'parallel';
  readonly values: readonly [number, number];
  readonly together: number;
}

/**
 * The pair of preferred resistors that comes nearest to a value, by ratio.
 *
 * @throws Refusal when `wanted` is not positive
 */
export function nearestPair(wanted: number, series: Series): Pair {
  requirePositive({ value: wanted });
  const distance = ({ together }: Pair) => Math.abs(Math.log(together / wanted));
  const candidates = [
    ...preferredWithin(wanted / 200, wanted * 0.9999, series).map((one): Pair => {
      const other = nearestPreferred(wanted - one, series);
      return { how: 'series', values: [one, other], together: one + other };
    }),
    ...preferredWithin(wanted * 1.0001, wanted * 200, series).map((one): Pair => {
      const other = nearestPreferred(1 / (1 / wanted - 1 / one), series);
      return { how: 'parallel', values: [one, other], together: 1 / (1 / one + 1 / other) };
    }),
  ];
  return candidates.reduce((best, one) => (distance(one) < distance(best) ? one : best));
}
