'use server';

import { revalidatePath } from 'next/cache';
import { Refusal } from '@/core/quantity';
import { addJob, database, findNote } from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { readLibrary, sheetOf } from '@/workshop/library/server';
import { takeInSchema } from '@/workshop/set';

/** Stores a set taken in. */
export async function takeIn(input: unknown): Promise<Answered> {
  return answered(async () => {
    const set = takeInSchema.validateSync(input);
    if (!sheetOf(await readLibrary(), { sheet: set.sheet, options: set.options, label: {} }))
      throw new Refusal(`there is no sheet "${set.sheet}"`);
    const db = await database();
    if (set.former !== null && !(await findNote(db, set.former)))
      throw new Refusal('the job it was here for before is not closed, or gone');
    await addJob(db, { ...set, pinned: false, waiting: null, createdAt: new Date().toISOString(), closedAt: null });
    revalidatePath('/');
    return undefined;
  });
}
