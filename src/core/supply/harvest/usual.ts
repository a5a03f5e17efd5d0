import { type SupplyKind } from '../part/kinds';

/** What taking a part out takes, and what one costs, in the shop’s money, where nobody says: guesses by hand. */
interface Usual {
  readonly minutes: number;
  readonly worth: number;
}

const ordinary: Usual = { minutes: 4, worth: 2 };

const told: Readonly<Partial<Record<SupplyKind, Usual>>> = {
  board: { minutes: 8, worth: 40 },
  tube: { minutes: 40, worth: 60 },
  yoke: { minutes: 25, worth: 25 },
  flyback: { minutes: 15, worth: 25 },
  chip: { minutes: 10, worth: 6 },
  lamp: { minutes: 5, worth: 60 },
  fan: { minutes: 5, worth: 8 },
};

export const usualOf = (kind: SupplyKind): Usual => told[kind] ?? ordinary;
