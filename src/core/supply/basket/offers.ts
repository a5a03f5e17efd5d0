import { type BasketProblem, type NeededLine, type Offer, type Supplier } from './problem';

/** What a supplier may be asked for: a line in so many pieces, for so much money. */
export interface Ask {
  readonly line: number;
  readonly offer: Offer;
  readonly count: number;
  readonly cost: number;
}

/** Of this many pieces on, a line is only split where a price or a stock ends. */
const fewPieces = 24;
/** So many pieces more than are needed are thought of, to reach a minimum or free postage. */
const pastNeed = 5;

export const daysOf = (supplier: Supplier, offer: Offer): number => offer.days ?? supplier.days;

/** The price of each piece when so many are bought. */
export const priceAt = ({ breaks }: Offer, count: number): number =>
  breaks.reduce((price, step) => (count >= step.from ? step.price : price), breaks[0]!.price);

/** How many pieces of a line one may sensibly ask of a supplier. */
function countsOf(supplier: Supplier, { breaks, stock = Infinity }: Offer, needs: number): number[] {
  const steps = breaks.map(({ from }) => from);
  const some =
    needs <= fewPieces
      ? Array.from({ length: needs }, (_, at) => at + 1)
      : [...steps, ...steps.map((from) => from - 1), ...steps.map((from) => needs - from), needs - stock];
  const thresholds = supplier.minimum !== undefined || supplier.freeFrom !== undefined;
  const more = thresholds ? Array.from({ length: pastNeed }, (_, at) => needs + at + 1) : [];
  const most = Math.min(stock, Math.max(needs + pastNeed, steps[steps.length - 1]!));
  return [...new Set([...some, needs, ...steps, ...more, stock])].filter(
    (count) => count >= steps[0]! && count <= most,
  );
}

/**
 * What each supplier may be asked for, by supplier.
 *
 * @param within days in which all has to be there; each line’s own limit holds besides
 */
export function asksOf({ lines, suppliers }: BasketProblem, within: number): Ask[][] {
  const places = new Map(lines.map(({ id }, line) => [id, line]));
  return suppliers.map((supplier) =>
    supplier.offers.flatMap((offer) => {
      const line = places.get(offer.line)!;
      const { needs, by = Infinity } = lines[line]!;
      if (daysOf(supplier, offer) > Math.min(within, by)) return [];
      return countsOf(supplier, offer, needs).map((count): Ask => ({
        line,
        offer,
        count,
        cost: count * priceAt(offer, count),
      }));
    }),
  );
}

/** Something asked of a supplier. */
export interface Chosen {
  readonly supplier: number;
  readonly ask: Ask;
}

/** The least a line costs from any set of suppliers, the set as bits. */
export interface LeastCosts {
  readonly of: (set: number) => number;
  /** How that comes about. */
  readonly choice: (set: number) => Chosen[];
  /** The least for which a piece of it is to be had. */
  readonly piece: number;
}

/**
 * What a line costs by itself, for every set of suppliers.
 *
 * @param missing what a piece costs that is not to be had
 */
export function leastCosts({ needs }: NeededLine, asks: readonly (readonly Ask[])[], missing: number): LeastCosts {
  // By set: what so many pieces cost at least. A set is the one without its last supplier, and that one added.
  const costs: Float64Array[] = [Float64Array.from({ length: needs + 1 }, (_, have) => (have === 0 ? 0 : Infinity))];
  for (let set = 1; set < 1 << asks.length; set += 1) {
    const last = 31 - Math.clz32(set);
    const before = costs[set ^ (1 << last)]!;
    const now = before.slice();
    for (const { count, cost } of asks[last]!)
      for (let have = 0; have <= needs; have += 1) {
        const reached = Math.min(needs, have + count);
        now[reached] = Math.min(now[reached]!, before[have]! + cost);
      }
    costs.push(now);
  }
  const whole = (set: number, have: number) => costs[set]![have]! + (needs - have) * missing;
  const bestOf = (set: number) =>
    costs[set]!.reduce((best, _, have) => (whole(set, have) < whole(set, best) ? have : best), 0);
  return {
    of: (set) => whole(set, bestOf(set)),
    choice: (set) => {
      const chosen: Chosen[] = [];
      let have = bestOf(set);
      for (let rest = set; rest > 0;) {
        const supplier = 31 - Math.clz32(rest);
        const before = costs[rest ^ (1 << supplier)]!;
        const now = costs[rest]!;
        if (now[have] !== before[have])
          for (const ask of asks[supplier]!) {
            const from = before.findIndex(
              (cost, had) => Math.min(needs, had + ask.count) === have && cost + ask.cost === now[have],
            );
            if (from < 0) continue;
            chosen.push({ supplier, ask });
            have = from;
            break;
          }
        rest ^= 1 << supplier;
      }
      return chosen;
    },
    piece: Math.min(missing, ...asks.flat().map(({ count, cost }) => cost / Math.min(count, needs))),
  };
}
