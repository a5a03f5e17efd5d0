import { Refusal } from '../quantity';
/** The middle of some values, between the two middle ones where their number is even. @throws Refusal when there is none */
export function median(values: readonly number[]): number {
  if (values.length === 0) throw new Refusal('no values have no middle');
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}
