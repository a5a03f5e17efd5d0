'use server';

import { revalidatePath } from 'next/cache';
import * as yup from 'yup';
import { type WaitingFor, waitingTitles } from '@/features/job/jobFile';
import { database, setWaiting } from '@/store';

const waitingSchema = yup
  .object({
    for: yup
      .string()
      .oneOf(Object.keys(waitingTitles) as WaitingFor[], 'choose what it waits for')
      .required(),
    note: yup.string().trim().max(200, 'a note of at most 200 letters').defined(),
    until: yup
      .string()
      .matches(/^(\d{4}-\d\d-\d\d)?$/, 'a date like 2026-12-02')
      .defined(),
  })
  .nullable();

/**
 * Puts a set aside until something comes, or takes it up again.
 *
 * @returns the message to show where the form is not right
 */
export async function putAside(job: string, input: unknown): Promise<string | undefined> {
  try {
    await setWaiting(await database(), job, waitingSchema.validateSync(input) ?? null);
    revalidatePath('/');
    return undefined;
  } catch (error) {
    if (error instanceof yup.ValidationError) return error.errors[0] ?? error.message;
    throw error;
  }
}
