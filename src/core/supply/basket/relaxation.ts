import { sum, sumOf } from '../../statistics';
import { type Ask, type Chosen } from './offers';
import { type NeededLine } from './problem';

/** What may be asked for, by line and then by supplier. */
export type AsksByLine = readonly (readonly (readonly Ask[])[])[];

/** Suppliers that are ordered from, and the goods that each has to come to. */
export interface Claims {
  readonly used: readonly boolean[];
  /** Money by supplier; 0 where nothing is claimed. */
  readonly reach: readonly number[];
}

/** What a way of ordering costs at least, goods alone. */
export interface Relaxation {
  readonly bound: number;
  /** The cheapest choice on the way there that reaches all that is claimed. */
  readonly reached: { readonly asks: readonly Chosen[]; readonly goods: number } | undefined;
  /** All that was asked for at some discounts: the best choices are mostly made of it. */
  readonly seen: ReadonlySet<Ask>;
  /** What a choice costs at least that asks for this. */
  readonly with: (supplier: number, ask: Ask) => number;
}

const rounds = 60;
/** The step towards what is not reached is halved after so many rounds that raised nothing. */
const patience = 4;
const money = 1e-9;

/** What brought a line to so many pieces, and how many it had before. */
interface Step {
  readonly ask: Ask;
  readonly had: number;
}

/** The least a line costs at given discounts, for at least so many pieces, without one of the suppliers if it is named. */
function leastFor(
  needs: number,
  asks: readonly (readonly Ask[])[],
  { used }: Claims,
  discounts: readonly number[],
  without = -1,
): { readonly costs: Float64Array; readonly from: readonly (readonly (Step | undefined)[])[] } {
  let costs = new Float64Array(needs + 1).fill(Infinity);
  costs[0] = 0;
  const from = asks.map((own, s) => {
    const by: (Step | undefined)[] = [];
    if (!used[s] || s === without) return by;
    const factor = 1 - discounts[s]!;
    const now = costs.slice();
    for (const ask of own) {
      const cost = ask.cost * factor;
      for (let have = 0; have <= needs; have += 1) {
        const reached = Math.min(needs, have + ask.count);
        if (costs[have]! + cost < now[reached]! - money) {
          now[reached] = costs[have]! + cost;
          by[reached] = { ask, had: have };
        }
      }
    }
    costs = now;
    return by;
  });
  return { costs, from };
}

/** How many pieces it is best to have, where those that are missing cost a penalty each. */
function bestHave(costs: Float64Array, missing: number): { readonly have: number; readonly cost: number } {
  const needs = costs.length - 1;
  let best = { have: 0, cost: costs[0]! + needs * missing };
  for (let have = 1; have <= needs; have += 1) {
    const cost = costs[have]! + (needs - have) * missing;
    if (cost < best.cost) best = { have, cost };
  }
  return best;
}

/** Every line by itself at given discounts: what it costs with them, and what is asked for. */
function apart(
  lines: readonly NeededLine[],
  asks: AsksByLine,
  claims: Claims,
  discounts: readonly number[],
  missing: number,
) {
  const chosen: Chosen[] = [];
  let short = 0;
  const costs = lines.map(({ needs }, l) => {
    const { costs: least, from } = leastFor(needs, asks[l]!, claims, discounts);
    const best = bestHave(least, missing);
    short += needs - best.have;
    let { have } = best;
    for (let s = from.length - 1; s >= 0; s -= 1) {
      const step = from[s]![have];
      if (!step) continue;
      chosen.push({ supplier: s, ask: step.ask });
      have = step.had;
    }
    return best.cost;
  });
  return { costs, chosen, short };
}

/**
 * Lagrange's relaxation of a way of ordering: what each supplier's goods have to come to is paid for by a discount on
 * them, so that every line stands by itself. The discounts are raised where too little is ordered, until the bound
 * rises no more (subgradient steps after Polyak).
 *
 * @param under the total of goods that is to be beaten
 */
export function relaxed(
  lines: readonly NeededLine[],
  asks: AsksByLine,
  claims: Claims,
  missing: number,
  under: number,
): Relaxation {
  const { reach } = claims;
  let discounts = reach.map(() => 0);
  let best = { bound: -Infinity, discounts, costs: [] as number[] };
  let reached: Relaxation['reached'];
  const seen = new Set<Ask>();
  let stride = 1;
  let idle = 0;
  for (let round = 0; round < rounds; round += 1) {
    const { costs, chosen, short } = apart(lines, asks, claims, discounts, missing);
    for (const { ask } of chosen) seen.add(ask);
    const bound = sum(costs) + sum(discounts.map((one, s) => one * reach[s]!));
    const spent = reach.map((_, s) => sumOf(chosen, ({ supplier, ask }) => (supplier === s ? ask.cost : 0)));
    if (spent.every((goods, s) => goods >= reach[s]! - money)) {
      const goods = sum(spent) + short * missing;
      if (!reached || goods < reached.goods) reached = { asks: chosen, goods };
    }
    if (bound > best.bound + money) {
      best = { bound, discounts, costs };
      idle = 0;
    } else if ((idle += 1) >= patience) {
      discounts = best.discounts;
      stride /= 2;
      idle = 0;
    }
    const target = Math.min(under, reached?.goods ?? Infinity);
    const slack = reach.map((goal, s) => (goal > 0 ? goal - spent[s]! : 0));
    const length = sumOf(slack, (one) => one * one);
    if (best.bound >= target - money || length < money) break;
    const aim = Number.isFinite(target) ? target : best.bound * 1.05 + 1;
    const step = (stride * (aim - bound)) / length;
    discounts = discounts.map((one, s) => Math.min(1, Math.max(0, one + step * slack[s]!)));
  }
  return {
    bound: best.bound,
    reached,
    seen,
    with: lookedUp(lines, asks, claims, missing, best),
  };
}

/** The bound with something asked for: its line costs what the rest of its need costs at least from the others. */
function lookedUp(
  lines: readonly NeededLine[],
  asks: AsksByLine,
  claims: Claims,
  missing: number,
  { bound, discounts, costs }: { bound: number; discounts: readonly number[]; costs: readonly number[] },
): Relaxation['with'] {
  const kept = new Map<string, Float64Array>();
  return (supplier, { line, count, cost }) => {
    const { needs } = lines[line]!;
    const key = `${line}/${supplier}`;
    let rest = kept.get(key);
    if (!rest) {
      rest = leastFor(needs, asks[line]!, claims, discounts, supplier).costs;
      // At least so many, the missing ones at their penalty.
      for (let have = 0; have <= needs; have += 1)
        rest[have] = Math.min(rest[have]!, have > 0 ? rest[have - 1]! + missing : Infinity);
      for (let have = needs - 1; have >= 0; have -= 1) rest[have] = Math.min(rest[have]!, rest[have + 1]!);
      kept.set(key, rest);
    }
    return bound - costs[line]! + cost * (1 - discounts[supplier]!) + rest[Math.max(0, needs - count)]!;
  };
}
