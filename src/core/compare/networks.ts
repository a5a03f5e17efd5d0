import { median } from '../statistics';

/** A repeated network as it was measured: rows are places in it, columns its repetitions; gaps are undefined. */
export interface Network {
  readonly rows: readonly string[];
  readonly cells: readonly string[];
  /** Row by row; 0 and Infinity among them. */
  readonly values: readonly (readonly (number | undefined)[])[];
}

/** A value that leaves its row. */
export interface OddCell {
  readonly row: number;
  readonly cell: number;
  readonly value: number;
  /** Middle of the row. */
  readonly usual: number;
  /** How many spreads of its row it lies away. */
  readonly away: number;
}

export interface NetworkComparison {
  /** Middle of each row; undefined where too little is known. */
  readonly usual: readonly (number | undefined)[];
  /** Furthest away first. */
  readonly odd: readonly OddCell[];
}

/** Fewer values than this have no middle to leave. */
const fewest = 3;
/** Parts of one kind lie within this ratio of each other without meaning anything. */
const leastSpread = 1.04;
/** Spreads from the middle at which a value counts as odd. */
const oddFrom = 4.5;
/** Shorts and over-range are as far away as this, in ohms. */
const ends = { least: 0.01, most: 1e9 };
/** The median of absolute deviations of a normal spread is this much less than its standard deviation. */
const normal = 1.4826;

const logOf = (value: number) => Math.log(Math.min(ends.most, Math.max(ends.least, Math.abs(value))));

/**
 * Finds what leaves the pattern of a repeated network: each row has a middle and a spread, by medians
 * of the logarithms, so that neither an odd cell nor a gap moves them (Rousseeuw and Croux 1993).
 */
export function compareNetwork({ values }: Network): NetworkComparison {
  const odd: OddCell[] = [];
  const usual = values.map((row, index): number | undefined => {
    const known = row.flatMap((value, cell) => (value === undefined ? [] : [{ value, cell, log: logOf(value) }]));
    if (known.length < fewest) return undefined;
    const middle = median(known.map(({ log }) => log));
    const deviation = median(known.map(({ log }) => Math.abs(log - middle)));
    const spread = Math.max(Math.log(leastSpread), normal * deviation);
    for (const { value, cell, log } of known) {
      const away = Math.abs(log - middle) / spread;
      if (away >= oddFrom) odd.push({ row: index, cell, value, usual: Math.exp(middle), away });
    }
    return Math.exp(middle);
  });
  return { usual, odd: odd.sort((a, b) => b.away - a.away) };
}
