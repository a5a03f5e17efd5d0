'use server';

import { revalidatePath } from 'next/cache';
import { Refusal } from '@/core/quantity';
import { closeJob, database, findJob } from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { readLibrary, sheetOf } from '@/workshop/library/server';
import { closeSchema } from './closeSchema';

/** Closes a job with its fault note. */
export async function closeWithNote(input: unknown): Promise<Answered> {
  return answered(async () => {
    const note = closeSchema.validateSync(input);
    const db = await database();
    const job = await findJob(db, note.job);
    if (!job) throw new Refusal('there is no such job');
    const sheet = sheetOf(await readLibrary(), job);
    if (note.fault !== null && !sheet?.faults.has(note.fault))
      throw new Refusal(`the sheet has no fault "${note.fault}"`);
    await closeJob(db, {
      ...note,
      sheet: job.sheet,
      chassis: sheet?.title ?? job.sheet,
      closedAt: new Date().toISOString(),
    });
    revalidatePath('/');
    revalidatePath('/notebook');
    return undefined;
  });
}
