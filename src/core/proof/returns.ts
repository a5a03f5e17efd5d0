import { Refusal } from '../quantity';

/** A set that left the shop, and came back or not. */
export interface Leaving {
  /** ISO instant it was closed at. */
  readonly left: string;
  /** ISO instant it was taken in again; undefined where it was not. */
  readonly back?: string | undefined;
  /** Whether it was the same again. */
  readonly same?: boolean;
}

/** Why a set comes back: what was done did not hold, or the next part of the same age gave way. */
export type Why = 'same' | 'other';

/** What a shop saw of its sets after they left: how long they stayed away, by the clock of each reason, and returns. */
export interface ReturnsSeen {
  readonly sets: number;
  /** Set-years out of the house. */
  readonly years: number;
  readonly returns: Readonly<Record<Why, number>>;
  /** Years on the clock of each reason: the sum of tᵏ. */
  readonly exposure: Readonly<Record<Why, number>>;
}

/**
 * How sets come back, before the shop has seen any: a Weibull process a reason, its shape known and its rate not.
 *
 * A repair that does not hold shows early (shape below one), parts of an age go later and later (above one). The rates
 * are ordinary figures of restored sets of some 25 years, a guess: 5 % the same again and 10 % another part within the
 * first year; they weigh as much as `weight` returns of one’s own.
 */
const before: Readonly<Record<Why, { readonly shape: number; readonly firstYear: number; readonly weight: number }>> = {
  same: { shape: 0.5, firstYear: 0.05, weight: 2 },
  other: { shape: 1.2, firstYear: 0.1, weight: 2 },
};

const whys: readonly Why[] = ['same', 'other'];
const year = 365.25 * 86_400_000;

/** Years on the clock of a reason. */
const onClock = (why: Why, years: number): number => years ** before[why].shape;

/** What a shop saw until now of the sets that left it. */
export function returnsSeen(leavings: readonly Leaving[], now: Date): ReturnsSeen {
  const seen = { sets: leavings.length, years: 0, returns: { same: 0, other: 0 }, exposure: { same: 0, other: 0 } };
  for (const { left, back, same = false } of leavings) {
    const out = Math.max(0, (Date.parse(back ?? now.toISOString()) - Date.parse(left)) / year);
    seen.years += out;
    for (const why of whys) seen.exposure[why] += onClock(why, out);
    if (back !== undefined) seen.returns[same ? 'same' : 'other'] += 1;
  }
  return seen;
}

/** What is known of the rate of a reason: Gamma(shape, scale⁻¹) on its clock. */
function rateOf(why: Why, seen: ReturnsSeen): { readonly shape: number; readonly inverse: number } {
  const { firstYear, weight } = before[why];
  return { shape: weight + seen.returns[why], inverse: weight / firstYear + seen.exposure[why] };
}

/** Chance of no return for a reason: the rate is Gamma, so it is Lomax on the reason’s clock. */
const staysAway = (why: Why, seen: ReturnsSeen, years: number, share: number): number => {
  const { shape, inverse } = rateOf(why, seen);
  return (inverse / (inverse + share * onClock(why, years))) ** shape;
};

/** Chances that a set comes back within some years. */
export type ReturnRisk = Readonly<Record<Why | 'any', number>>;

/**
 * Chance that a set comes back within some years of leaving.
 *
 * @param share what is left of the risk of another fault after new parts went in; 1 where none did
 * @throws Refusal where years or share are none
 */
export function returnRisk(seen: ReturnsSeen, years: number, share = 1): ReturnRisk {
  if (!(years >= 0 && Number.isFinite(years))) throw new Refusal('the years are a number from 0 on');
  if (!(share >= 0 && Number.isFinite(share))) throw new Refusal('the share of the risk is a number from 0 on');
  const same = staysAway('same', seen, years, 1);
  const other = staysAway('other', seen, years, share);
  return { same: 1 - same, other: 1 - other, any: 1 - same * other };
}

/** What a new part still brings of the risk of an old one. */
const newPart = 0.1;
/** Chance that putting one part in does harm somewhere: a lifted pad, a bridge, a value misread. */
export const harmOfOne = 0.004;

/**
 * What is left of the risk of another fault when some parts are new.
 *
 * @param chances of each part to be what fails next, by reference; they add up to one over the whole set
 */
export function shareLeft(chances: ReadonlyMap<string, number>, renewed: Iterable<string>): number {
  let share = 1;
  for (const ref of new Set(renewed)) share -= (chances.get(ref) ?? 0) * (1 - newPart);
  return Math.max(0, share);
}

/** How much is replaced, with its price. */
export interface Extent {
  readonly refs: readonly string[];
  readonly money: number;
  readonly minutes: number;
}

/** What an extent of replacing comes to. */
export interface Weighed {
  /** Chance of a return within the years, harm done while replacing included. */
  readonly risk: number;
  /** Money and minutes now, and what returns cost on average, in money. */
  readonly now: number;
  readonly later: number;
}

/**
 * Weighs how much to replace while a set is open.
 *
 * @param visit what one return costs, in money
 * @param hour what an hour at the bench is worth
 */
export function weighExtent(
  { refs, money, minutes }: Extent,
  chances: ReadonlyMap<string, number>,
  seen: ReturnsSeen,
  { years, visit, hour }: { readonly years: number; readonly visit: number; readonly hour: number },
): Weighed {
  const { any } = returnRisk(seen, years, shareLeft(chances, refs));
  const risk = 1 - (1 - any) * (1 - harmOfOne) ** refs.length;
  return { risk, now: money + (minutes / 60) * hour, later: risk * visit };
}

/** What one return costs: an hour at the bench, as sets do on average, and a few small parts; in money. */
export const visitCost = (hour: number): number => 5 + hour;

/** The years that a repair should last. */
export const yearsWanted = 2;

/** A warranty is borne that is claimed in one of ten. */
const claimed = 0.1;

/** The longest warranty in whole months, up to five years, with at most such a chance of a return. */
export function warrantyMonths(seen: ReturnsSeen, share: number, risk = claimed): number {
  let months = 0;
  while (months < 60 && returnRisk(seen, (months + 1) / 12, share).any <= risk) months += 1;
  return months;
}
