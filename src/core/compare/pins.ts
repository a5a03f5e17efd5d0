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
/** A pin of tens of ohms whose sibling reads so many more is shorted, whatever all the others do. */
const tens = 100;
const decadesApart = 1000;
/** A table of numbers that are all smaller is one of junctions in volts. */
const junctions = 10;
/** Two meters, two boards, two temperatures: ratios within this mean nothing. */
const leastSpread = 1.06;
const oddFrom = 4;
/** So many of the ratios that lie closest together are taken for the pins in order. */
const agreeing = 0.4;

/**
 * Where most of some numbers lie: the middle and half width of the shortest interval that holds a share of
 * them (the shorth, Andrews et al. 1972, with a smaller share: half of all pins may be bad).
 */
function densest(values: readonly number[], share: number): { readonly middle: number; readonly half: number } {
  const sorted = [...values].sort((a, b) => a - b);
  const count = Math.min(sorted.length, Math.max(2, Math.ceil(share * sorted.length)));
  let best = 0;
  for (let from = 0; from + count <= sorted.length; from += 1)
    if (sorted[from + count - 1]! - sorted[from]! < sorted[best + count - 1]! - sorted[best]!) best = from;
  const kept = sorted.slice(best, best + count);
  return { middle: median(kept), half: (kept[kept.length - 1]! - kept[0]!) / 2 };
}

/**
 * Compares two sides pin by pin: suspect against donor, upper against lower, before against after.
 *
 * What a pin reads by itself comes first: tens of ohms beside megohms are a short on that side, and nothing at
 * all is the good state of a driver's pin where most pins have it. Ratios come second, against those of the
 * pins that agree best.
 *
 * @throws Refusal unless the table has two columns
 */
export function comparePins({ values, cells }: Network): PinComparison {
  if (cells.length !== 2) throw new Refusal(`two sides are compared, not ${cells.length}`);
  const pairs = values.flatMap(([one, other], row) =>
    one === undefined || other === undefined ? [] : [{ row, one, other }],
  );
  const finite = pairs.flatMap(({ one, other }) => [one, other]).filter((value) => value !== Infinity);
  const inVolts = finite.every((value) => Math.abs(value) < junctions);
  const both = pairs.filter(({ one, other }) => one === Infinity && other === Infinity).length;
  const neither = pairs.filter(({ one, other }) => one !== Infinity && other !== Infinity).length;
  /** Is a pin that lets nothing through in order? */
  const openIsGood = both > neither;
  const shorted = (value: number, other: number) =>
    Math.abs(value) < shortBelow ||
    (Math.abs(value) < 3 && Math.abs(value) < shortShare * Math.abs(other)) ||
    (!inVolts && Math.abs(value) < tens && Math.abs(other) > decadesApart * Math.abs(value));
  const odd: OddPin[] = [];
  const shortedOnBoth: number[] = [];
  const ratios: { row: number; log: number }[] = [];
  for (const { row, one, other } of pairs) {
    const low = [shorted(one, other), shorted(other, one)] as const;
    if (low[0] && low[1]) shortedOnBoth.push(row);
    else if (low[0] || low[1]) odd.push({ row, kind: 'shorted', side: low[1] ? 1 : 0, away: Infinity });
    else if ((one === Infinity) !== (other === Infinity)) {
      const open = other === Infinity ? 1 : 0;
      odd.push(
        openIsGood
          ? { row, kind: 'low', side: open === 1 ? 0 : 1, away: Infinity }
          : { row, kind: 'open', side: open, away: Infinity },
      );
    } else if (one !== Infinity) ratios.push({ row, log: Math.log(Math.abs(other) / Math.abs(one)) });
  }
  const { middle, half } =
    ratios.length === 0
      ? { middle: 0, half: 0 }
      : densest(
          ratios.map(({ log }) => log),
          agreeing,
        );
  // Of a normal spread the densest four tenths lie within half a standard deviation.
  const spread = Math.max(Math.log(leastSpread), half / halfOfAgreeing);
  for (const { row, log } of ratios) {
    const away = Math.abs(log - middle) / spread;
    if (away >= oddFrom) odd.push({ row, kind: log > middle ? 'high' : 'low', side: 1, away });
  }
  return { odd: odd.sort((a, b) => b.away - a.away), shortedOnBoth, usualRatio: Math.exp(middle) };
}

/** Half the width, in standard deviations, of the middle share of a normal spread that is taken as agreeing. */
const halfOfAgreeing = 0.524;
