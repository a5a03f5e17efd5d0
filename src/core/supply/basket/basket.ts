import { sumOf } from '../../statistics';
import { LinearProgram, solve } from '../linearProgram';
import { type BasketProblem, type Offer, type Supplier } from './problem';

/** So many pieces of a line from one supplier, at the price that number has there. */
export interface Purchase {
  readonly line: string;
  readonly supplier: string;
  readonly count: number;
  readonly price: number;
  readonly days: number;
}

/** An order to one supplier. */
export interface Order {
  readonly supplier: string;
  readonly goods: number;
  readonly postage: number;
  readonly lines: readonly Purchase[];
  /** Until the last of it is there. */
  readonly days: number;
}

/** What to order where at least cost. */
export interface Basket {
  readonly cost: number;
  readonly orders: readonly Order[];
  /** What nobody has, or not in time or number. */
  readonly missing: readonly { readonly line: string; readonly count: number }[];
  /** Nothing can be cheaper; otherwise the best that was found in the time there was. */
  readonly exact: boolean;
}

/** What a piece that is not to be had costs in the reckoning: more than any way of getting it. */
const penaltyOver = 1000;

/**
 * The orders of least total cost, postage, minimum orders and price breaks included, exact by mixed-integer
 * programming. More than is needed is bought where that is cheaper. What cannot be had is left out and told.
 *
 * @param within days in which all has to be there; each line’s own limit holds besides
 */
export async function bestBasket(problem: BasketProblem, within = Infinity): Promise<Basket> {
  const program = new LinearProgram();
  const goods = new Map<string, [number, string][]>();
  const got = new Map<string, [number, string][]>(problem.lines.map(({ id }) => [id, []]));
  const bought: Bought[] = [];
  const needs = new Map(problem.lines.map((line) => [line.id, line]));
  const dearest = Math.max(
    1,
    ...problem.suppliers.flatMap(({ postage, minimum = 0, offers }) => [
      postage + minimum,
      ...offers.flatMap(({ breaks }) => breaks.map(({ price }) => price)),
    ]),
  );
  problem.suppliers.forEach((supplier, s) => {
    const used = program.binary(`y${s}`, supplier.postage);
    const spent: [number, string][] = [];
    supplier.offers.forEach((offer, o) => {
      const line = needs.get(offer.line)!;
      if (daysOf(supplier, offer) > Math.min(within, line.by ?? Infinity)) return;
      const ways = countsOf(supplier, offer, line.needs).map((count): [number, string] => {
        const price = priceAt(offer, count);
        const name = program.binary(`w${s}_${o}_${count}`, count * price);
        spent.push([count * price, name]);
        // What is bought beyond the need covers no more than the need: that keeps the relaxation tight.
        got.get(offer.line)!.push([Math.min(count, line.needs), name]);
        bought.push({ name, supplier, offer, count });
        return [1, name];
      });
      program.row([...ways, [-1, used]], '<=', 0);
    });
    if (supplier.minimum !== undefined) program.row([...spent, [-supplier.minimum, used]], '>=', 0);
    if (supplier.freeFrom !== undefined && supplier.postage > 0) {
      const free = program.binary(`f${s}`, -supplier.postage);
      program.row(
        [
          [1, free],
          [-1, used],
        ],
        '<=',
        0,
      );
      program.row([...spent, [-supplier.freeFrom, free]], '>=', 0);
    }
    goods.set(supplier.id, spent);
  });
  problem.lines.forEach(({ id, needs: wanted }, l) => {
    const short = program.integer(`u${l}`, wanted, penaltyOver * dearest);
    program.row([...got.get(id)!, [1, short]], '>=', wanted);
  });
  const { value, exact } = await solve(program);
  const purchases = bought
    .filter(({ name }) => value(name) === 1)
    .map(({ supplier, offer, count }): Purchase => ({
      line: offer.line,
      supplier: supplier.id,
      count,
      price: priceAt(offer, count),
      days: daysOf(supplier, offer),
    }));
  const orders = problem.suppliers.flatMap((supplier): Order[] => {
    const lines = purchases.filter((one) => one.supplier === supplier.id);
    if (lines.length === 0) return [];
    const worth = sumOf(lines, ({ count, price }) => count * price);
    const free = supplier.freeFrom !== undefined && worth >= supplier.freeFrom - 1e-9;
    return [
      {
        supplier: supplier.id,
        goods: worth,
        postage: free ? 0 : supplier.postage,
        lines,
        days: Math.max(...lines.map(({ days }) => days)),
      },
    ];
  });
  return {
    cost: sumOf(orders, (order) => order.goods + order.postage),
    orders,
    missing: problem.lines.flatMap(({ id }, l) => (value(`u${l}`) > 0 ? [{ line: id, count: value(`u${l}`) }] : [])),
    exact,
  };
}

interface Bought {
  readonly name: string;
  readonly supplier: Supplier;
  readonly offer: Offer;
  readonly count: number;
}

/** Of this many pieces on, a line is only split where a price or a stock ends. */
const fewPieces = 24;
/** So many pieces more than are needed are thought of, to reach a minimum or free postage. */
const pastNeed = 5;

/** How many pieces of a line one may sensibly ask of a supplier. */
function countsOf(supplier: Supplier, { breaks, stock = Infinity }: Offer, needs: number): number[] {
  const steps = breaks.map(({ from }) => from);
  const thresholds = supplier.minimum !== undefined || supplier.freeFrom !== undefined;
  const some =
    needs <= fewPieces
      ? Array.from({ length: needs }, (_, at) => at + 1)
      : [...steps, ...steps.map((from) => from - 1), ...steps.map((from) => needs - from), needs - stock];
  const more = thresholds ? Array.from({ length: pastNeed }, (_, at) => needs + at + 1) : [];
  return [...new Set([...some, needs, ...steps, ...more, stock])].filter(
    (count) =>
      Number.isFinite(count) &&
      count >= steps[0]! &&
      count <= stock &&
      count <= Math.max(needs + pastNeed, steps[steps.length - 1]!),
  );
}

/** The price of each piece when so many are bought. */
const priceAt = ({ breaks }: Offer, count: number): number =>
  breaks.reduce((price, step) => (count >= step.from ? step.price : price), breaks[0]!.price);

const daysOf = (supplier: Supplier, offer: Offer): number => offer.days ?? supplier.days;

/** What all costs if it has to be there in so many days. */
export interface Patience {
  readonly days: number;
  readonly cost: number;
  readonly missing: number;
  /** What each day longer than the step before saves; undefined for the first, and where less was missing. */
  readonly savesADay: number | undefined;
}

/** The cost of the best basket for each number of days in which something more can be there. */
export async function patienceOf(problem: BasketProblem): Promise<Patience[]> {
  const steps = [
    ...new Set(problem.suppliers.flatMap((supplier) => supplier.offers.map((offer) => daysOf(supplier, offer)))),
  ].sort((a, b) => a - b);
  const told: Patience[] = [];
  for (const days of steps) {
    const { cost, missing } = await bestBasket(problem, days);
    const short = sumOf(missing, ({ count }) => count);
    const before = told[told.length - 1];
    if (before && before.missing === short && Math.abs(before.cost - cost) < 1e-9) continue;
    told.push({
      days,
      cost,
      missing: short,
      savesADay: before && before.missing === short ? (before.cost - cost) / (days - before.days) : undefined,
    });
  }
  return told;
}
