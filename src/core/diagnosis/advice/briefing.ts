import { type Context, type Predictions } from '../../behaviour';
import { type BlockInside } from '../../inside';
import { changesMade } from '../../log';
import { type Minutes } from '../../quantity';
import { answerText, expectedText } from '../../reading';
import { repairActions } from '../../repair';
import {
  type Case,
  evidenceFor,
  likeliestInside,
  type Observation,
  type Reason,
  reasonsFrom,
  restsOn,
  type Suspect,
  told,
} from '../belief';
import { type Advice, adviseOn, type ProbeAdvice, type RepairAdvice } from './advice';
import { type FoundPart, foundParts } from './found';
import { type Isolation, isolationOf } from './isolation';

/** A suspect by the id of its fault. */
type BriefSuspect = Omit<Suspect, 'fault'> & { readonly fault: string };

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
export interface Briefing extends Pick<Advice, 'next' | 'repairNow' | 'curedChance' | 'dormant' | 'harmNow'> {
  /** All of them, likeliest first. */
  readonly suspects: readonly BriefSuspect[];
  readonly probes: readonly BriefProbe[];
  readonly repairs: readonly { readonly action: string; readonly chance: number; readonly minutes: Minutes }[];
  /** Why each of the leading suspects is one, by fault. */
  readonly reasons: Readonly<Record<string, readonly Reason[]>>;
  /** Two faults at once, by their titles, where that is likely enough to be said. */
  readonly pair: { readonly titles: readonly [string, string]; readonly probability: number } | undefined;
  /** Parts seen or measured bad and not yet dealt with. */
  readonly found: readonly FoundPart[];
  /** Readings that are likely outliers. */
  readonly doubts: readonly {
    readonly entry: string;
    readonly said: string;
    readonly chance: number;
    readonly twice: boolean;
  }[];
  /** The one reading on which the leading suspect rests, where it leads by it alone. */
  readonly alone: string | undefined;
  readonly isolation: Isolation | undefined;
  /** The likeliest block with a netlist inside, fed by what was read. */
  readonly inside: BlockInside | undefined;
}

/** So many leading suspects say why they are. */
const explained = 6;
/** Pairs less likely than this are not mentioned. */
const pairShown = 0.15;
/** A leading suspect this likely says on what it rests. */
const leadingFrom = 0.5;

/** What is to be said of a case now. */
export function briefingOf(job: Case): Briefing {
  const { predictions, bench } = job;
  const advice = adviseOn(job);
  const { posterior, next, repairNow, curedChance } = advice;
  const [pair] = posterior.pairs;
  const alone = restsOn(posterior);
  const suspects = told(posterior.suspects);
  const leads = (suspects[0]?.probability ?? 0) >= leadingFrom;
  return {
    next,
    repairNow,
    curedChance,
    dormant: advice.dormant,
    harmNow: advice.harmNow,
    suspects: suspects.map(({ fault, ...suspect }) => ({ fault: fault.id, ...suspect })),
    probes: advice.probes.map(({ probe: { check, ...probe }, ...worth }) => ({ ...probe, check: check.id, ...worth })),
    repairs: advice.repairs.map(({ action, chance, minutes }) => ({ action: action.id, chance, minutes })),
    reasons: Object.fromEntries(
      suspects
        .slice(0, explained)
        .map(({ fault: { id } }) => [id, reasonsFrom(predictions, evidenceFor(posterior, id))]),
    ),
    pair:
      pair && pair.probability > pairShown
        ? { titles: [pair.faults[0].title, pair.faults[1].title], probability: pair.probability }
        : undefined,
    found: foundParts(job),
    doubts: posterior.doubts.map(({ observation, chance }) => ({
      entry: observation.entry!,
      said: observationText(predictions, observation),
      chance,
      twice: observation.times > 1,
    })),
    alone:
      alone && leads && !posterior.doubts.some(({ observation }) => observation === alone)
        ? observationText(predictions, alone)
        : undefined,
    isolation: isolationOf(job, posterior),
    inside: likeliestInside(predictions.model.sheet, posterior, predictions.checks, bench),
  };
}

/** `Vscan -121.4 V, a good set gives -168 V ±3 %, with CN802 pulled`. */
function observationText(predictions: Predictions, { check, answer, context }: Observation): string {
  const given = answerText(check, answer);
  const good = expectedText(predictions, check, context);
  const changes = changesMade(context);
  return [
    `${check.title} ${given}`,
    ...(given === good ? [] : [`a good set gives ${good}`]),
    ...(changes.length > 0 ? [`with ${changes.join(', ')}`] : []),
  ].join(', ');
}

/** A briefing with its names followed: the faults, checks and repairs of the sheet at hand. */
export interface Briefed extends Omit<Briefing, 'suspects' | 'probes' | 'repairs'> {
  readonly suspects: readonly Suspect[];
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
