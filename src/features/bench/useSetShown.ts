import { useMemo } from 'react';
import { type Case } from '@/core/diagnosis';
import { type SetStep } from '@/core/entry';
import { type Check } from '@/core/behaviour';
import { type Symptom } from '@/core/picture';
import { cautionsFor, pictureCaution, powerCaution } from '@/core/safety';
import { timeText } from '@/ui';

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

/** What to mind at what is asked for now, the most serious first. */
export function useCautions(
  { bench, predictions }: Case,
  check: Check | undefined,
  step: SetStep | undefined,
  symptoms: readonly Symptom[],
): readonly string[] {
  const { context } = bench;
  const { sheet } = predictions.model;
  return useMemo(() => {
    const forStep =
      step?.kind === 'do'
        ? step.body.kind === 'power'
          ? [powerCaution(step.body.power)]
          : []
        : check
          ? cautionsFor(sheet, check, context)
          : [];
    const burning = context.power === 'live' ? pictureCaution(symptoms) : undefined;
    return [...(burning === undefined ? [] : [burning]), ...forStep].slice(0, mostCautions);
  }, [sheet, check, step, context, symptoms]);
}
