import { type Basket, type Patience, type Sourcing, type SubstituteVerdict, type Wanted } from '@/core/supply';
import { type DonorPart, type StockRow } from '@/store';

/** Pieces that lie in a drawer or sit in a donor. */
export type HouseLot = (StockRow & { readonly from: 'shelf' }) | (DonorPart & { readonly from: 'donor' });

/** Something that is had without buying it. */
export interface GivenLine {
  readonly need: string;
  readonly set: string;
  readonly count: number;
  readonly typed: string;
  readonly part: string;
  readonly from: HouseLot['from'];
  /** Drawer, or donor and board. */
  readonly place: string;
  readonly verdict: SubstituteVerdict;
}

/** A line of an order that is proposed. */
export interface ProposedLine {
  readonly item: string;
  /** What is wanted, and what is sold in its place. */
  readonly wanted: string;
  readonly typed: string;
  readonly count: number;
  readonly price: number;
  readonly due: string;
  readonly needs: readonly { readonly need: string; readonly set: string; readonly count: number }[];
  /** Pieces that are cheaper bought than not. */
  readonly over: number;
}

export interface ProposedOrder {
  readonly supplier: string;
  readonly title: string;
  /** Is the order sent to a service, or only written down? */
  readonly linked: boolean;
  readonly lines: readonly ProposedLine[];
  readonly goods: number;
  readonly postage: number;
  readonly days: number;
}

/** Where all that is wanted may come from, as the page shows it. */
export interface Sourced {
  readonly given: readonly GivenLine[];
  readonly orders: readonly ProposedOrder[];
  readonly cost: number;
  /** What nobody has, with the nearest there is. */
  readonly missing: readonly { readonly line: string; readonly count: number; readonly nearest: string }[];
  /** What waiting costs and saves; only where there is a choice. */
  readonly patience: readonly Patience[];
  readonly exact: boolean;
  /** Suppliers that do not answer, each with what is used instead. */
  readonly trouble: readonly string[];
}

/** What is known of whoever sells. */
export interface SellerView {
  readonly id: string;
  readonly title: string;
  readonly link: string;
  /** What each item is, by its number. */
  readonly items: ReadonlyMap<string, string>;
}

const day = 86_400_000;
const dateIn = (days: number, now: number) => new Date(now + days * day).toISOString().slice(0, 10);

/** Shares out what is bought of a line among those who want it, the first first. */
function sharedOut(count: number, left: { want: Wanted; open: number }[]) {
  const needs: { need: string; count: number }[] = [];
  let pieces = count;
  for (const one of left) {
    const given = Math.min(pieces, one.open);
    if (given === 0) continue;
    needs.push({ need: one.want.id, count: given });
    one.open -= given;
    pieces -= given;
  }
  return { needs, over: pieces };
}

/** A basket as orders to be sent. */
export function proposed(
  { given, wants, doubtful }: Sourcing<HouseLot>,
  basket: Basket,
  sellers: readonly SellerView[],
  sets: ReadonlyMap<string, { readonly set: string; readonly count: number }>,
  now: number,
): Omit<Sourced, 'patience' | 'trouble'> {
  const left = new Map([...wants].map(([line, of]) => [line, of.map((want) => ({ want, open: want.count }))] as const));
  return {
    given: given.map(({ need, lot, verdict }) => ({
      need,
      ...sets.get(need)!,
      typed: lot.typed,
      part: lot.id,
      from: lot.from,
      place: lot.from === 'shelf' ? lot.drawer : [lot.title, lot.board].filter(Boolean).join(', '),
      verdict,
    })),
    orders: basket.orders.map(({ supplier, goods, postage, lines, days }) => {
      const seller = sellers.find(({ id }) => id === supplier)!;
      return {
        supplier,
        title: seller.title,
        linked: seller.link !== '',
        goods,
        postage,
        days,
        lines: lines.map(({ line, item = '', count, price, days: until }) => {
          const { needs, over } = sharedOut(count, left.get(line)!);
          return {
            item,
            wanted: line,
            typed: seller.items.get(item) ?? line,
            count,
            price,
            due: dateIn(until, now),
            needs: needs.map((one) => ({ ...one, set: sets.get(one.need)!.set })),
            over,
          };
        }),
      };
    }),
    cost: basket.cost,
    missing: basket.missing.map(({ line, count }) => {
      const nearest = doubtful.find((one) => one.line === line)?.nearest;
      const seller = sellers.find(({ id }) => id === nearest?.supplier);
      return { line, count, nearest: nearest ? `${seller!.title} has ${nearest.typed} · ${nearest.reason}` : '' };
    }),
    exact: basket.exact,
  };
}
