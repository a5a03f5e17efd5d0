import { type Check } from '@/core/behaviour';
import { type Briefed, type ExpectedHarm, forbiddenFrom, type ProbeAdvice } from '@/core/diagnosis';
import { type SetStep } from '@/core/entry';
import { type BenchState } from '@/core/log';
import { type Symptom } from '@/core/picture';
import { cautionsFor, pictureCaution, powerCaution } from '@/core/safety';
import { type Sheet } from '@/core/sheet';
import { chanceText } from '@/ui';

/** What is asked for at the bench, and of which set in which state. */
export interface CautionsAsked
  extends Pick<BenchState, 'context' | 'isolated' | 'stores'>, Pick<Briefed, 'harmNow' | 'found'> {
  readonly sheet: Sheet;
  readonly check: Check | undefined;
  /** What is to be done with the set before. */
  readonly step: SetStep | undefined;
  /** What it shows. */
  readonly symptoms: readonly Symptom[];
  readonly probe: ProbeAdvice | undefined;
}

/** More cautions than this at once are not read. */
const mostCautions = 2;
/** A harm less likely is not said. */
const likelyEnough = 0.08;

/** What a set may do, with how likely that is and what to do first where it stands live now. */
const harmText = ({ chance, reason }: ExpectedHarm, live: boolean): string =>
  `${live ? 'Switch off. ' : ''}With ${chanceText(chance)}, ${reason}.`;

/** That a set is not switched on with parts in it that were found bad, unless that is wanted. */
function putRightFirst(found: Briefed['found']): readonly string[] {
  const [first, ...others] = found;
  if (!first) return [];
  const what =
    others.length === 0 ? `${first.title} was found bad` : `${first.title} and ${others.length} more were found bad`;
  return [`${what}: put right before power goes on (Alt R), or power up knowing it.`];
}

/** What to mind at what is asked for now, the most serious first. */
export function cautionsNow(asked: CautionsAsked): readonly string[] {
  const { sheet, context, isolated, stores, check, step, symptoms, harmNow, found, probe } = asked;
  const live = context.power === 'live';
  const wanted = probe?.probe.context;
  const harm = live ? harmNow : probe?.harm;
  const forStep =
    step?.kind === 'do'
      ? step.body.kind === 'power'
        ? [...(step.body.power === 'live' ? putRightFirst(found) : []), powerCaution(step.body.power)]
        : []
      : check
        ? cautionsFor(sheet, check, { context, isolated, stores, ...(wanted ? { wanted } : {}) })
        : [];
  const burning = live ? pictureCaution(symptoms) : undefined;
  const feared = harm && harm.chance >= likelyEnough && !(burning !== undefined && harm.kind === 'burn');
  return [
    ...(burning === undefined ? [] : [burning]),
    ...(feared ? [harmText(harm, live && harm.chance >= forbiddenFrom && harm.kind === 'x-rays')] : []),
    ...forStep,
  ].slice(0, mostCautions);
}
