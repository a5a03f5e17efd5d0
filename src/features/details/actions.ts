'use server';

import { revalidatePath } from 'next/cache';
import { predictionsOf } from '@/core/behaviour';
import { unknownName } from '@/core/log';
import { Refusal } from '@/core/quantity';
import { database, findJob, readLog, reviseJob } from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { readLibrary, sheetOf } from '@/workshop/library/server';
import { detailsSchema } from './detailsSchema';

/** Puts right what is known of an open set. */
export async function reviseSet(id: string, input: unknown): Promise<Answered> {
  return answered(async () => {
    const details = detailsSchema.validateSync(input);
    const db = await database();
    const job = await findJob(db, id);
    if (!job) throw new Refusal('there is no such set');
    const sheet = sheetOf(await readLibrary(), { sheet: job.sheet, ...details });
    if (!sheet) throw new Refusal(`there is no sheet "${job.sheet}"`);
    // What was recorded must still have its place on the set as it is now said to be.
    const unknown = unknownName((await readLog(db, id)).entries, predictionsOf(sheet).names);
    if (unknown !== undefined)
      throw new Refusal(`${unknown}, and this job has readings of it: its options cannot be these`);
    if (!(await reviseJob(db, id, details))) throw new Refusal('this job is closed: nothing more can be changed on it');
    revalidatePath('/', 'layout');
    return undefined;
  });
}
