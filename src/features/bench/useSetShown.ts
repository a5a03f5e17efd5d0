import { useMemo } from 'react';
import { type Briefed, type Case, type ExpectedHarm, forbiddenFrom, type ProbeAdvice } from '@/core/diagnosis';
import { type SetStep } from '@/core/entry';
import { type Check } from '@/core/behaviour';
import { type Symptom } from '@/core/picture';
import { cautionsFor, pictureCaution, powerCaution } from '@/core/safety';
import { chanceText, timeText } from '@/ui';

/** What the set shows, and by whom it is known. */
export function useSetShown({ bench, complaint }: Case): {
  readonly symptoms: readonly Symptom[];
  readonly by: string;
} {
  const { picture } = bench;
  return useMemo(
    () => ({
      symptoms: picture?.symptoms ?? complaint.symptoms,
      by: picture ? `seen ${timeText(picture.entry.at)}` : 'as the owner told it',
    }),
    [picture, complaint],
  );
}

/** More cautions than this at once are not read. */
const mostCautions = 2;
/** A harm less likely is not said. */
const likelyEnough = 0.08;

/** What a set may do, with how likely that is and what to do first where it stands live now. */
const harmText = ({ chance, reason }: ExpectedHarm, live: boolean): string =>
  `${live ? 'Switch off. ' : ''}With ${chanceText(chance)}, ${reason}.`;

/** What to mind at what is asked for now, the most serious first. */
export function useCautions(
  { bench, predictions }: Case,
  check: Check | undefined,
  step: SetStep | undefined,
  symptoms: readonly Symptom[],
  { harmNow }: Pick<Briefed, 'harmNow'>,
  probe: ProbeAdvice | undefined,
): readonly string[] {
  const { context, isolated, stores } = bench;
  const wanted = probe?.probe.context;
  const harm = context.power === 'live' ? harmNow : probe?.harm;
  const { sheet } = predictions.model;
  return useMemo(() => {
    const forStep =
      step?.kind === 'do'
        ? step.body.kind === 'power'
          ? [powerCaution(step.body.power)]
          : []
        : check
          ? cautionsFor(sheet, check, { context, isolated, stores, ...(wanted ? { wanted } : {}) })
          : [];
    const live = context.power === 'live';
    const burning = live ? pictureCaution(symptoms) : undefined;
    const feared = harm && harm.chance >= likelyEnough && !(burning !== undefined && harm.kind === 'burn');
    return [
      ...(burning === undefined ? [] : [burning]),
      ...(feared ? [harmText(harm, live && harm.chance >= forbiddenFrom && harm.kind === 'x-rays')] : []),
      ...forStep,
    ].slice(0, mostCautions);
  }, [sheet, check, step, context, isolated, stores, wanted, symptoms, harm]);
}
