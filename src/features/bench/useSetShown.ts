import { useMemo } from 'react';
import { type Case } from '@/core/diagnosis';
import { type Symptom } from '@/core/picture';
import { timeText } from '@/ui';
import { type CautionsAsked, cautionsNow } from './cautionsNow';

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

/** What to mind at what is asked for now, the most serious first. */
export function useCautions(
  { bench: { context, isolated, stores }, predictions }: Case,
  { check, step, symptoms, harmNow, found, probe }: Omit<CautionsAsked, 'context' | 'isolated' | 'stores' | 'sheet'>,
): readonly string[] {
  const { sheet } = predictions.model;
  return useMemo(
    () => cautionsNow({ sheet, context, isolated, stores, check, step, symptoms, harmNow, found, probe }),
    [sheet, context, isolated, stores, check, step, symptoms, harmNow, found, probe],
  );
}
