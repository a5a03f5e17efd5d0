import { type Context, type Predictions } from '../../behaviour';
import { type BlockInside } from '../../inside';
import { type Minutes } from '../../quantity';
import { repairActions } from '../../repair';
import { type Reason, type ToldSuspect } from '../belief';
import { type Advice, type ProbeAdvice, type RepairAdvice } from './advice';
import { type FoundPart } from './found';
import { type Isolation } from './isolation';

/** A suspect by the id of its fault. */
type BriefSuspect = Omit<ToldSuspect, 'fault'> & { readonly fault: string };

/** A probe by the id of its check. */
interface BriefProbe extends Omit<ProbeAdvice, 'probe'> {
  readonly id: string;
  readonly check: string;
  readonly context: Context;
  readonly isolates?: string;
}

/**
 * Advice with what a screen says of it, in names and numbers alone: small enough to be sent from a worker or
 * a server at every reading.
 */
export interface Briefing extends Pick<
  Advice,
  'next' | 'repairNow' | 'curedChance' | 'switchings' | 'dormant' | 'harmNow'
> {
  /** All of them, likeliest first. */
  readonly suspects: readonly BriefSuspect[];
  readonly probes: readonly BriefProbe[];
  readonly repairs: readonly { readonly action: string; readonly chance: number; readonly minutes: Minutes }[];
  /** Why each of the leading suspects is one, by fault. */
  readonly reasons: Readonly<Record<string, readonly Reason[]>>;
  /** Several faults at once, by their titles, where that is likely enough to be said. */
  readonly together: { readonly titles: readonly string[]; readonly probability: number } | undefined;
  /** Parts seen or measured bad and not yet dealt with. */
  readonly found: readonly FoundPart[];
  /** Readings that are likely outliers. */
  readonly doubts: readonly {
    readonly entry: string;
    /** Does it say of a part that the part itself is bad? It may be so and explain nothing of the rest. */
    readonly ofPart: boolean;
    readonly said: string;
    readonly chance: number;
    readonly twice: boolean;
    /** The line that says what its rail really is on sets of this chassis, where the sheet only guesses. */
    readonly own: string | undefined;
  }[];
  /** Boards whose donor is likely bad itself, by their titles. */
  readonly badDonors: readonly { readonly board: string; readonly chance: number }[];
  /** The one reading on which the leading suspect rests, where it leads by it alone. */
  readonly alone: string | undefined;
  readonly isolation: Isolation | undefined;
  /** The likeliest block with a netlist inside, fed by what was read. */
  readonly inside: BlockInside | undefined;
}

/** A briefing with its names followed: the faults, checks and repairs of the sheet at hand. */
export interface Briefed extends Omit<Briefing, 'suspects' | 'probes' | 'repairs'> {
  readonly suspects: readonly ToldSuspect[];
  readonly probes: readonly ProbeAdvice[];
  readonly repairs: readonly RepairAdvice[];
}

/** Follows the names of a briefing in the sheet it was made of. */
export function followed(briefing: Briefing, predictions: Predictions): Briefed {
  const { sheet } = predictions.model;
  const actions = new Map(repairActions(sheet).map((action) => [action.id, action]));
  return {
    ...briefing,
    suspects: briefing.suspects.map(({ fault, ...suspect }) => ({ fault: sheet.faults.get(fault)!, ...suspect })),
    probes: briefing.probes.map(({ id, check, context, isolates, ...worth }) => ({
      probe: {
        id,
        check: predictions.checks.get(check)!,
        context,
        ...(isolates === undefined ? {} : { isolates }),
      },
      ...worth,
    })),
    repairs: briefing.repairs.map(({ action, ...worth }) => ({ action: actions.get(action)!, ...worth })),
  };
}

/** How likely each fault is, by id. */
export const weightsOf = ({ suspects }: Pick<Briefed, 'suspects'>): ReadonlyMap<string, number> =>
  new Map(suspects.map(({ fault, probability }) => [fault.id, probability]));
