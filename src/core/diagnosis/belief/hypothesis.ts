import { type Fault } from '../../sheet';

/** Faults that are there at once: one, or several. */
export interface Hypothesis {
  readonly faults: readonly Fault[];
  /** It is still there although a repair has dealt with it: the repair failed. */
  readonly despite?: true;
  /** It comes and goes: in some episodes the set is as if good. */
  readonly sometimes?: true;
  /** A donor’s board that was tried is bad itself. */
  readonly donor?: BadDonor;
}

/** A donor’s board with what is wrong with it, which acts while it stands in for the set’s own. */
export interface BadDonor {
  readonly board: string;
  readonly fault: Fault;
}

/** The same faults, in whatever order they were thought of. */
export const keyOf = (faults: readonly Fault[]): string =>
  faults
    .map(({ id }) => id)
    .sort()
    .join('+');
