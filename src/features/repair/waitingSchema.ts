import * as yup from 'yup';
import { type WaitingFor, waitingTitles } from '@/workshop/job';

/** What a set is put aside for, shared by the form and the action. */
export const waitingSchema = yup.object({
  for: yup
    .string()
    .oneOf(['', ...(Object.keys(waitingTitles) as WaitingFor[])], 'choose what it waits for')
    .defined(),
  note: yup.string().trim().max(200, 'a note of at most 200 letters').defined(),
  until: yup
    .string()
    .matches(/^(\d{4}-\d\d-\d\d)?$/, 'a date like 2026-12-02')
    .defined(),
});
