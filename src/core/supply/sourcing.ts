import { sumOf } from '../statistics';
import { type BasketProblem, type Offer, type Supplier } from './basket/problem';
import { type SupplyKind } from './part/kinds';
import { readPart, type SupplyPart } from './part/readPart';
import { rankFor, simplyDoes } from './substitute/rank';
import { type SubstituteVerdict } from './substitute/rules';

/** Something a supplier has: a part as it is typed, what it costs from so many pieces on, how many there are. */
export interface CatalogueItem {
  /** The supplier’s own number of it. */
  readonly item: string;
  readonly typed: string;
  readonly breaks: Offer['breaks'];
  readonly stock: number | undefined;
  /** Days it takes, where that is not what the supplier usually takes. */
  readonly days: number | undefined;
}

/** A supplier with what he has of what is looked for. */
export interface Vendor extends Omit<Supplier, 'offers'> {
  readonly items: readonly CatalogueItem[];
}

/** What is wanted for a set. */
export interface Wanted {
  readonly id: string;
  readonly typed: string;
  readonly count: number;
}

/** Pieces that lie in the house: in a drawer, or still in a donor. */
export interface Lot {
  readonly id: string;
  readonly typed: string;
  readonly count: number;
}

/** What is had without buying it. */
export interface Given<L extends Lot> {
  readonly need: string;
  readonly lot: L;
  readonly verdict: SubstituteVerdict;
}

/** Where all that is wanted may come from. */
export interface Sourcing<L extends Lot> {
  readonly given: readonly Given<L>[];
  /** What has to be bought: the same part once, by what is typed, with what each supplier offers of it. */
  readonly problem: BasketProblem;
  /** The wants behind each line that is bought. */
  readonly wants: ReadonlyMap<string, readonly Wanted[]>;
  /** Lines for which nobody offers what simply does, with the nearest that would have to be watched. */
  readonly doubtful: readonly {
    readonly line: string;
    readonly nearest: { readonly supplier: string; readonly typed: string; readonly reason: string } | undefined;
  }[];
}

/** Rows by the kind of part they are, so that each is read once however many parts it is compared with. */
function byKind<Row extends { readonly typed: string }>(rows: readonly Row[]) {
  const kinds = new Map<SupplyKind, Row[]>();
  for (const row of rows) {
    const { kind } = readPart(row.typed);
    kinds.set(kind, [...(kinds.get(kind) ?? []), row]);
  }
  return (part: SupplyPart) => rankFor(part, kinds.get(part.kind) ?? []);
}

/**
 * Shares out what lies in the house and writes down what has to be bought. Whoever waited longest is served first;
 * what would have to be watched is never taken or bought without being asked for.
 *
 * @param wanted in the order in which they are served
 * @param lots in the order in which they are looked through: the shelf before donors
 */
export function sourcingOf<L extends Lot>(
  wanted: readonly Wanted[],
  lots: readonly (readonly L[])[],
  vendors: readonly Vendor[],
): Sourcing<L> {
  const left = new Map(lots.flat().map(({ id, count }) => [id, count]));
  const tiers = lots.map(byKind);
  const catalogues = vendors.map(({ id, items }) => ({ id, rank: byKind(items) }));
  const given: Given<L>[] = [];
  const wants = new Map<string, Wanted[]>();
  for (const want of wanted) {
    const part = readPart(want.typed);
    const found = tiers
      .flatMap((rank) => rank(part))
      .find((one) => simplyDoes(one) && left.get(one.row.id)! >= want.count);
    if (found) {
      left.set(found.row.id, left.get(found.row.id)! - want.count);
      given.push({ need: want.id, lot: found.row, verdict: found.verdict });
    } else wants.set(want.typed, [...(wants.get(want.typed) ?? []), want]);
  }
  const lines = [...wants].map(([id, of]) => ({
    id,
    needs: sumOf(of, ({ count }) => count),
    by: undefined,
    job: undefined,
  }));
  const doubtful: Sourcing<L>['doubtful'][number][] = [];
  const offers = new Map(vendors.map(({ id }): [string, Offer[]] => [id, []]));
  for (const { id: line } of lines) {
    const part = readPart(line);
    const ranked = catalogues.flatMap(({ id, rank }) => rank(part).map((one) => ({ ...one, supplier: id })));
    const good = ranked.filter((one) => simplyDoes(one) && one.row.stock !== 0);
    for (const { supplier, row } of good) {
      const { item, breaks, stock, days } = row;
      offers.get(supplier)!.push({ line, item, breaks, stock, days });
    }
    if (good.length > 0) continue;
    const nearest = ranked.find(({ verdict }) => verdict === 'watch');
    doubtful.push({
      line,
      nearest: nearest && { supplier: nearest.supplier, typed: nearest.row.typed, reason: nearest.reason },
    });
  }
  const suppliers = vendors.map(({ items: _, ...vendor }): Supplier => ({ ...vendor, offers: offers.get(vendor.id)! }));
  return { given, problem: { lines, suppliers }, wants, doubtful };
}
