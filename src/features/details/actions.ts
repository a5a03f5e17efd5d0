'use server';

import { revalidatePath } from 'next/cache';
import { ValidationError } from 'yup';
import { SheetError } from '@/core/sheet';
import { predictionsOf } from '@/features/job';
import { unknownName } from '@/features/job/unknownName';
import { readLibrary, sheetOf } from '@/features/sheets/library';
import { database, findJob, readLog, reviseJob } from '@/store';
import { detailsSchema } from './detailsSchema';

/**
 * Puts right what is known of an open set.
 *
 * @returns the message to show where the form is not right; undefined when it was stored
 */
export async function reviseSet(id: string, input: unknown): Promise<string | undefined> {
  try {
    const form = detailsSchema.validateSync(input);
    const details = {
      ...form,
      label: form.label as Record<string, number>,
      options: form.options as Record<string, string>,
    };
    const db = await database();
    const job = await findJob(db, id);
    if (!job) return 'there is no such set';
    const sheet = sheetOf(await readLibrary(), { sheet: job.sheet, ...details });
    if (!sheet) return `there is no sheet "${job.sheet}"`;
    // What was recorded must still have its place on the set as it is now said to be.
    const unknown = unknownName((await readLog(db, id)).entries, sheet, predictionsOf(sheet));
    if (unknown !== undefined) return `${unknown}, and this job has readings of it: its options cannot be these`;
    if (!(await reviseJob(db, id, details))) return 'this job is closed: nothing more can be changed on it';
    revalidatePath('/', 'layout');
    return undefined;
  } catch (error) {
    if (error instanceof SheetError) return error.message;
    if (error instanceof ValidationError) return error.errors[0] ?? error.message;
    throw error;
  }
}
