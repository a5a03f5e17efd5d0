import { type SupplyKind } from '../part/kinds';

/** What taking a part out takes, and what one costs, in the shop’s money, where nobody says: guesses by hand. */
interface Usual {
  readonly minutes: number;
  readonly worth: number;
  /** What a used one fetches of what it costs to buy. */
  readonly fetches: number;
}

/** Nobody buys a used capacitor. */
const ordinary: Usual = { minutes: 4, worth: 2, fetches: 0 };

const told: Readonly<Partial<Record<SupplyKind, Usual>>> = {
  board: { minutes: 8, worth: 40, fetches: 0.5 },
  tube: { minutes: 40, worth: 60, fetches: 0.5 },
  yoke: { minutes: 25, worth: 25, fetches: 0.4 },
  flyback: { minutes: 15, worth: 25, fetches: 0.4 },
  chip: { minutes: 10, worth: 6, fetches: 0.3 },
  lamp: { minutes: 5, worth: 60, fetches: 0.3 },
  fan: { minutes: 5, worth: 8, fetches: 0.2 },
};

export const usualOf = (kind: SupplyKind): Usual => told[kind] ?? ordinary;

/** Wrapping a piece, writing to its buyer and taking it to the post. */
const sellingMinutes = 12;

/**
 * What a piece brings that is sold now, in money, less the work of it; nothing where that is more than it brings.
 *
 * @param worth what one costs to buy
 * @param hour what an hour of work is worth
 */
export const saleOf = (kind: SupplyKind, worth: number, hour: number): number =>
  Math.max(0, usualOf(kind).fetches * worth - (sellingMinutes * hour) / 60);
