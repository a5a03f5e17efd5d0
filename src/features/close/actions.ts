'use server';

import { revalidatePath } from 'next/cache';
import { ValidationError } from 'yup';
import { readLibrary, sheetOf } from '@/features/sheets/library';
import { AlreadyClosed, closeJob, database, findJob } from '@/store';
import { closeSchema } from './closeSchema';

/**
 * Closes a job with its fault note.
 *
 * @returns the message to show where it could not be; undefined when it was closed
 */
export async function closeWithNote(input: unknown): Promise<string | undefined> {
  try {
    const note = closeSchema.validateSync(input);
    const db = await database();
    const job = await findJob(db, note.job);
    if (!job) return 'there is no such job';
    const sheet = sheetOf(await readLibrary(), job);
    if (note.fault !== null && !sheet?.faults.has(note.fault)) return `the sheet has no fault "${note.fault}"`;
    await closeJob(db, {
      ...note,
      sheet: job.sheet,
      chassis: sheet?.title ?? job.sheet,
      closedAt: new Date().toISOString(),
    });
    revalidatePath('/');
    revalidatePath('/notebook');
    return undefined;
  } catch (error) {
    if (error instanceof ValidationError) return error.errors[0] ?? error.message;
    if (error instanceof AlreadyClosed) return error.message;
    throw error;
  }
}
