import { sumOf } from '../../statistics';
import { LinearProgram, solve } from '../linearProgram';
import { type Ask, asksOf, type Chosen, daysOf, leastCosts, type LeastCosts, priceAt } from './offers';
import { type BasketProblem, type Supplier } from './problem';
import { type Claims, type Relaxation, relaxed } from './relaxation';

/** So many pieces of a line from one supplier, at the price that number has there. */
export interface Purchase {
  readonly line: string;
  readonly supplier: string;
  readonly item?: string;
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

/** Who is ordered from, and who of them sends free of postage. */
interface Way {
  readonly set: number;
  readonly used: readonly boolean[];
  readonly free: readonly boolean[];
  /** What all costs at least this way. */
  readonly least: number;
}

/** What was chosen, and what it costs with every missing piece at its penalty. */
interface Choice {
  readonly asks: readonly Chosen[];
  readonly total: number;
  readonly exact: boolean;
}

/** What a piece that is not to be had costs in the reckoning: more than any way of getting it. */
const penaltyOver = 1000;

/** Up to so many suppliers, and so many pieces of a line, every way of choosing among suppliers is thought of. */
const few = { suppliers: 8, pieces: 500 };

/** Money under this is no money. */
const nothing = 1e-6;

/**
 * The orders of least total cost, postage, minimum orders and price breaks included. More than is needed is bought where
 * that is cheaper. What cannot be had is left out and told.
 *
 * Ways of choosing suppliers and claiming free postage are taken in the order of what they cost at least, each line by
 * itself. What a way claims is relaxed first: that mostly shows that it cannot be cheaper, or leaves few columns for the
 * mixed-integer programme that decides.
 *
 * @param within days in which all has to be there; each line’s own limit holds besides
 */
export async function bestBasket(problem: BasketProblem, within = Infinity): Promise<Basket> {
  const asks = asksOf(problem, within);
  const missing =
    penaltyOver *
    Math.max(
      1,
      ...problem.suppliers.map(({ postage, minimum = 0 }) => postage + minimum),
      ...asks.flat().map(({ offer }) => offer.breaks[0]!.price),
    );
  if (problem.suppliers.length > few.suppliers || problem.lines.some(({ needs }) => needs > few.pieces))
    return told(problem, await solved(problem, asks, missing));
  const costs = problem.lines.map((line, l) =>
    leastCosts(
      line,
      asks.map((all) => all.filter((ask) => ask.line === l)),
      missing,
    ),
  );
  const ways = waysOf(problem, costs);
  let best: Choice | undefined;
  let exact = true;
  const total = () => best?.total ?? Infinity;
  const beats = (found: Choice | undefined) => {
    if (found && found.total < total() - nothing) best = found;
  };
  // Each line by itself often reaches what has to be reached, and then nothing needs solving.
  for (const { set } of ways.slice(0, sketched)) beats(asTheyAre(problem, costs, set));
  const byLine = problem.lines.map((_, l) => asks.map((all) => all.filter(({ line }) => line === l)));
  const open: { readonly way: Way; readonly relaxation: Relaxation; readonly least: number }[] = [];
  for (const way of ways) {
    if (way.least >= total() - nothing) break;
    const paid = postageOf(problem, way);
    const relaxation = relaxed(problem.lines, byLine, claimsOf(problem, way), missing, total() - paid);
    const { reached } = relaxation;
    if (reached) beats({ asks: reached.asks, total: reached.goods + paid, exact: true });
    open.push({ way, relaxation, least: relaxation.bound + paid });
  }
  for (const { way, relaxation, least } of open.sort((a, b) => a.least - b.least)) {
    // What is known cannot be beaten this way, nor by any after it.
    if (least >= total() - nothing) break;
    const paid = postageOf(problem, way);
    beats(await solved(problem, asks, missing, { way, mayHelp: (_, ask) => relaxation.seen.has(ask) }));
    if (least >= total() - nothing) continue;
    const mayHelp = (supplier: number, ask: Ask) => relaxation.with(supplier, ask) + paid < total() - nothing;
    const chosen = await solved(problem, asks, missing, { way, mayHelp });
    if (chosen?.exact === false) exact = false;
    beats(chosen);
  }
  return told(problem, best && { ...best, exact });
}

/** Of so many ways the lines are tried as they come out by themselves. */
const sketched = 60;

/** The cheapest of each line by itself from a set of suppliers; undefined where a minimum is not reached. */
function asTheyAre({ suppliers }: BasketProblem, costs: readonly LeastCosts[], set: number): Choice | undefined {
  const asks = costs.flatMap(({ choice }) => choice(set));
  let total = costs.reduce((sum, cost) => sum + cost.of(set), 0);
  for (const [s, { minimum = 0, freeFrom = Infinity, postage }] of suppliers.entries()) {
    const own = asks.filter(({ supplier }) => supplier === s);
    if (own.length === 0) continue;
    const goods = sumOf(own, ({ ask }) => ask.cost);
    if (goods < minimum - nothing) return undefined;
    if (goods < freeFrom - nothing) total += postage;
  }
  return { asks, total, exact: true };
}

/** All ways of choosing suppliers, the cheapest at least first. */
function waysOf({ suppliers }: BasketProblem, costs: readonly LeastCosts[]): Way[] {
  const ways: Way[] = [];
  const bits = (which: (supplier: Supplier) => boolean) =>
    suppliers.reduce((set, supplier, s) => (which(supplier) ? set | (1 << s) : set), 0);
  const mayBeFree = bits(({ freeFrom, postage }) => freeFrom !== undefined && postage > 0);
  for (let set = 0; set < 1 << suppliers.length; set += 1) {
    const goods = sumOf(costs, (cost) => cost.of(set));
    for (let free = set & mayBeFree; ; free = (free - 1) & set & mayBeFree) {
      const has = (within: number) => suppliers.map((_, s) => ((within >> s) & 1) === 1);
      const paid = has(set & ~free).reduce((sum, pays, s) => (pays ? sum + suppliers[s]!.postage : sum), 0);
      ways.push({ set, used: has(set), free: has(free), least: goods + paid });
      if (free === 0) break;
    }
  }
  return ways.sort((a, b) => a.least - b.least);
}

/** One way of choosing suppliers, and what may be in a choice that is worth anything. */
interface Tried {
  readonly way: Way;
  readonly mayHelp: (supplier: number, ask: Ask) => boolean;
}

/** What a way pays for postage. */
const postageOf = ({ suppliers }: BasketProblem, { used, free }: Way): number =>
  suppliers.reduce((sum, { postage }, s) => (used[s] && !free[s] ? sum + postage : sum), 0);

/** What a way has to come to, by supplier. */
const claimsOf = ({ suppliers }: BasketProblem, { used, free }: Way): Claims => ({
  used,
  reach: suppliers.map((supplier, s) => (used[s] ? toReach(supplier, free[s]!) : 0)),
});

/** The goods that an order has to come to: the least there is, and what makes its postage free. */
const toReach = ({ minimum = 0, freeFrom = 0 }: Supplier, free: boolean): number =>
  Math.max(minimum, free ? freeFrom : 0);

/**
 * The cheapest choice; undefined where nothing reaches what a way claims.
 *
 * @param tried undefined leaves it to the programme whom to order from
 */
async function solved(
  problem: BasketProblem,
  asks: readonly (readonly Ask[])[],
  missing: number,
  tried?: Tried,
): Promise<Choice | undefined> {
  const { lines, suppliers } = problem;
  const way = tried?.way;
  const program = new LinearProgram();
  const got = lines.map((): [number, string][] => []);
  const named: (Chosen & { readonly name: string })[] = [];
  suppliers.forEach((supplier, s) => {
    if (way && !way.used[s]) return;
    const spent: [number, string][] = [];
    const byLine = new Map<number, [number, string][]>();
    asks[s]!.forEach((ask) => {
      if (tried && !tried.mayHelp(s, ask)) return;
      const name = program.binary(`w${s}_${ask.line}_${ask.count}`, ask.cost);
      spent.push([ask.cost, name]);
      // What is bought beyond the need covers no more than the need: that keeps the relaxation tight.
      got[ask.line]!.push([Math.min(ask.count, lines[ask.line]!.needs), name]);
      byLine.set(ask.line, [...(byLine.get(ask.line) ?? []), [1, name]]);
      named.push({ name, supplier: s, ask });
    });
    const used = way ? undefined : program.binary(`y${s}`, supplier.postage);
    for (const choices of byLine.values())
      program.row(used === undefined ? choices : [...choices, [-1, used]], '<=', used === undefined ? 1 : 0);
    claim(program, supplier, s, spent, used, way?.free[s]);
  });
  lines.forEach(({ needs }, l) => {
    const short = program.integer(`u${l}`, needs, missing);
    program.row([...got[l]!, [1, short]], '>=', needs);
  });
  const found = await solve(program);
  if (!found) return undefined;
  return {
    asks: named.filter(({ name }) => found.value(name) === 1),
    total: found.cost + (way ? postageOf(problem, way) : 0),
    exact: found.exact,
  };
}

/** A minimum that orders have to reach, and the goods from which on postage is free. */
function claim(
  program: LinearProgram,
  supplier: Supplier,
  s: number,
  spent: readonly [number, string][],
  used: string | undefined,
  free: boolean | undefined,
): void {
  const { minimum, freeFrom, postage } = supplier;
  if (used === undefined) {
    const least = toReach(supplier, free ?? false);
    if (least > 0) program.row(spent, '>=', least);
    return;
  }
  if (minimum !== undefined) program.row([...spent, [-minimum, used]], '>=', 0);
  if (freeFrom === undefined || postage === 0) return;
  const sentFree = program.binary(`f${s}`, -postage);
  program.row(
    [
      [1, sentFree],
      [-1, used],
    ],
    '<=',
    0,
  );
  program.row([...spent, [-freeFrom, sentFree]], '>=', 0);
}

/** A choice as orders. */
function told({ lines, suppliers }: BasketProblem, chosen: Choice | undefined): Basket {
  const orders = suppliers.flatMap((supplier, s): Order[] => {
    const bought = (chosen?.asks ?? []).filter((one) => one.supplier === s);
    if (bought.length === 0) return [];
    const purchases = bought.map(({ ask: { offer, count } }): Purchase => ({
      line: offer.line,
      supplier: supplier.id,
      ...(offer.item === undefined ? {} : { item: offer.item }),
      count,
      price: priceAt(offer, count),
      days: daysOf(supplier, offer),
    }));
    const goods = sumOf(purchases, ({ count, price }) => count * price);
    const free = supplier.freeFrom !== undefined && goods >= supplier.freeFrom - nothing;
    return [
      {
        supplier: supplier.id,
        goods,
        postage: free ? 0 : supplier.postage,
        lines: purchases,
        days: Math.max(...purchases.map(({ days }) => days)),
      },
    ];
  });
  const had = (line: number) => sumOf(chosen?.asks ?? [], ({ ask }) => (ask.line === line ? ask.count : 0));
  return {
    cost: sumOf(orders, (order) => order.goods + order.postage),
    orders,
    missing: lines.flatMap(({ id, needs }, line) =>
      had(line) < needs ? [{ line: id, count: needs - had(line) }] : [],
    ),
    exact: chosen?.exact ?? true,
  };
}

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
  const days = problem.suppliers.flatMap((supplier) => supplier.offers.map((offer) => daysOf(supplier, offer)));
  const steps = [...new Set(days)].sort((a, b) => a - b);
  const reckoned: Patience[] = [];
  for (const step of steps) {
    const { cost, missing } = await bestBasket(problem, step);
    const short = sumOf(missing, ({ count }) => count);
    const before = reckoned[reckoned.length - 1];
    if (before && before.missing === short && Math.abs(before.cost - cost) < nothing) continue;
    reckoned.push({
      days: step,
      cost,
      missing: short,
      savesADay: before && before.missing === short ? (before.cost - cost) / (step - before.days) : undefined,
    });
  }
  return reckoned;
}
