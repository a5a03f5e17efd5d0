import { Refusal } from '../quantity';
import { median } from '../statistics';
import { type Network } from './networks';

/** A pin whose two sides do not say the same. */
export interface OddPin {
  readonly row: number;
  readonly kind: 'shorted' | 'open' | 'low' | 'high';
  /** The side that is odd: the second against the first, unless only the first is shorted or open. */
  readonly side: 0 | 1;
  /** How many spreads of all pins it lies away; of a short or an open pin Infinity. */
  readonly away: number;
}

export interface PinComparison {
  /** Furthest away first. */
  readonly odd: readonly OddPin[];
  /** Pins that are shorted on both sides: perhaps a ground, perhaps not. */
  readonly shortedOnBoth: readonly number[];
  /** What the second side reads for what the first does, in the middle. */
  readonly usualRatio: number;
}

/** Below this a pin is shorted, in ohms; a diode reading in volts is never so low either. */
const shortBelow = 0.06;
const shortShare = 0.02;
/** Two meters, two boards, two temperatures: ratios within this mean nothing. */
const leastSpread = 1.06;
const oddFrom = 4;
const normal = 1.4826;

/**
 * Compares two sides pin by pin: suspect against donor, upper against lower, before against after. Shorted and
 * open pins are named by themselves; the others by how far their ratio leaves that of all pins (medians of logarithms).
 *
 * @throws Refusal unless the table has two columns
 */
export function comparePins({ values, cells }: Network): PinComparison {
  if (cells.length !== 2) throw new Refusal(`two sides are compared, not ${cells.length}`);
  const shorted = (value: number, other: number) =>
    Math.abs(value) < shortBelow || (Math.abs(value) < 3 && Math.abs(value) < shortShare * Math.abs(other));
  const odd: OddPin[] = [];
  const shortedOnBoth: number[] = [];
  const ratios: { row: number; log: number }[] = [];
  values.forEach(([one, other], row) => {
    if (one === undefined || other === undefined) return;
    const low = [shorted(one, other), shorted(other, one)] as const;
    if (low[0] && low[1]) shortedOnBoth.push(row);
    else if (low[0] || low[1]) odd.push({ row, kind: 'shorted', side: low[1] ? 1 : 0, away: Infinity });
    else if ((one === Infinity) !== (other === Infinity))
      odd.push({ row, kind: 'open', side: other === Infinity ? 1 : 0, away: Infinity });
    else if (one !== Infinity) ratios.push({ row, log: Math.log(Math.abs(other) / Math.abs(one)) });
  });
  const middle = ratios.length === 0 ? 0 : median(ratios.map(({ log }) => log));
  const deviation = ratios.length === 0 ? 0 : median(ratios.map(({ log }) => Math.abs(log - middle)));
  const spread = Math.max(Math.log(leastSpread), normal * deviation);
  for (const { row, log } of ratios) {
    const away = Math.abs(log - middle) / spread;
    if (away >= oddFrom) odd.push({ row, kind: log > middle ? 'high' : 'low', side: 1, away });
  }
  return { odd: odd.sort((a, b) => b.away - a.away), shortedOnBoth, usualRatio: Math.exp(middle) };
}
