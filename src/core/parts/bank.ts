import { sum, sumOf } from '../statistics';
import { type Ohms, requirePositive, type Ratio } from '../quantity';

/** How several resistors stand together. */
export interface Bank {
  readonly ohms: Ohms;
  /** Share of the watts each takes, in the order given. */
  readonly shares: readonly Ratio[];
  /** Value with each one open, in the order given; Infinity in a chain. */
  readonly withOneOpen: readonly Ohms[];
}

const parallel = (ohms: readonly Ohms[]): Ohms => (ohms.length === 0 ? Infinity : 1 / sumOf(ohms, (one) => 1 / one));

/** Resistors side by side: the smallest takes the most watts. @throws Refusal when one is not positive */
export function parallelBank(ohms: readonly Ohms[]): Bank {
  for (const one of ohms) requirePositive({ resistance: one });
  const whole = parallel(ohms);
  return {
    ohms: whole,
    shares: ohms.map((one) => whole / one),
    withOneOpen: ohms.map((_, open) => parallel(ohms.filter((__, index) => index !== open))),
  };
}

/** Resistors in a chain: the largest takes the most volts and watts. @throws Refusal when one is not positive */
export function seriesBank(ohms: readonly Ohms[]): Bank {
  for (const one of ohms) requirePositive({ resistance: one });
  const whole = sum(ohms);
  return { ohms: whole, shares: ohms.map((one) => one / whole), withOneOpen: ohms.map(() => Infinity) };
}
