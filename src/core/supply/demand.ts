import { sumOf } from '../statistics';
import { readPart } from './part/readPart';
import { rankFor, simplyDoes } from './substitute/rank';

/** A kind of set that comes into the shop, with what goes wrong in it. */
export interface ComesIn {
  readonly perYear: number;
  /** Parts whose replacement it wants, with the share of such sets that do. */
  readonly parts: readonly { readonly typed: string; readonly share: number }[];
}

/** What a shop knows of what it will want. */
export interface Experience {
  /** What sets in the house wait for now. */
  readonly waiting: readonly { readonly typed: string; readonly count: number }[];
  /** What was fitted, and over how many years. */
  readonly fitted: readonly { readonly typed: string; readonly count: number }[];
  readonly years: number;
  readonly kinds: readonly ComesIn[];
}

/** How many of a part will be wanted, and where that comes from. */
export interface Demand {
  /** By sets that wait now. */
  readonly now: number;
  /** In a year, by what was fitted before. */
  readonly fitted: number;
  /** In a year, by the kinds of sets that come in. */
  readonly comesIn: number;
  /** Mean of the time that is looked ahead. */
  readonly mean: number;
}

/**
 * How many of a part a shop will want: what waits now, and what comes in by the larger of what was fitted before and what
 * the sheets of the sets that come in make likely. The two speak of the same sets, so they are not added.
 *
 * @returns asked with a part as it is written, and the years that are looked ahead
 */
export function expectedDemand({
  waiting,
  fitted,
  years: past,
  kinds,
}: Experience): (typed: string, years?: number) => Demand {
  const all = [...waiting, ...fitted, ...kinds.flatMap(({ parts }) => parts)];
  const read = new Map(all.map((one) => [one.typed, readPart(one.typed)]));
  return (typed, years = 1) => {
    const done = new Set(
      [...read].filter(([, part]) => rankFor(part, [{ typed }]).some(simplyDoes)).map(([one]) => one),
    );
    const counted = (some: Experience['waiting']) => sumOf(some, (one) => (done.has(one.typed) ? one.count : 0));
    const now = counted(waiting);
    const before = past > 0 ? counted(fitted) / past : 0;
    const comesIn = sumOf(
      kinds,
      ({ perYear, parts }) => perYear * sumOf(parts, (one) => (done.has(one.typed) ? one.share : 0)),
    );
    return { now, fitted: before, comesIn, mean: now + years * Math.max(before, comesIn) };
  };
}
