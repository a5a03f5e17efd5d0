import { type Random } from './random';
import { sumOf } from './sum';

/**
 * One of some items, each as often as its weight is to that of all.
 *
 * @param items at least one
 */
export function drawn<T>(items: readonly T[], weightOf: (item: T) => number, random: Random): T {
  let left = random() * sumOf(items, weightOf);
  return items.find((item) => (left -= weightOf(item)) <= 0) ?? items[items.length - 1]!;
}
