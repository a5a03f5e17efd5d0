'use server';

import { revalidatePath } from 'next/cache';
import { leftUndone } from '@/core/job';
import { replay } from '@/core/log';
import { placed, Refusal } from '@/core/quantity';
import { readCounted, readDonorLine, readLines } from '@/core/supply';
import { addDonorPart, closeJob, database, findJob, putList, readLog, saveDonor } from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { readLibrary, sheetOf } from '@/workshop/library/server';
import { closeSchema } from './closeSchema';

/** Closes a job with its fault note. */
export async function closeWithNote(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { kept, left, ...note } = closeSchema.validateSync(input);
    const stripped = note.outcome === 'stripped';
    const parts = stripped ? placed('kept for the shelf', () => readLines(kept, readCounted)) : [];
    const still = stripped ? placed('left in it', () => readLines(left, readDonorLine)) : [];
    const db = await database();
    const job = await findJob(db, note.job);
    if (!job) throw new Refusal('there is no such job');
    const sheet = sheetOf(await readLibrary(), job);
    if (note.fault !== null && !sheet?.faults.has(note.fault))
      throw new Refusal(`the sheet has no fault "${note.fault}"`);
    const { entries } = await readLog(db, note.job);
    const undone = leftUndone(replay(entries, []));
    if (undone.length > 0 && note.outcome !== 'stripped')
      throw new Refusal(`put back first, at the bench: ${undone.join(', ')}; or the set is stripped`);
    const closedAt = new Date().toISOString();
    // The note and what is kept of the set: both or neither.
    await db.transaction(async (work) => {
      await closeJob(work, { ...note, sheet: job.sheet, chassis: sheet?.title ?? job.sheet, closedAt });
      const origin = `${job.title}, stripped`.slice(0, 60);
      const ids = parts.map(() => crypto.randomUUID());
      await putList(
        work,
        parts.map((one) => ({ ...one, origin })),
        (at) => ids[at]!,
        closedAt,
      );
      if (still.length === 0) return;
      const donor = crypto.randomUUID();
      await saveDonor(work, {
        id: donor,
        title: job.title.slice(0, 60),
        place: '',
        note: note.cause.slice(0, 300),
        at: closedAt,
      });
      for (const { board, condition, minutes, ...counted } of still)
        await addDonorPart(
          work,
          donor,
          counted,
          { board, condition, minutes },
          { id: crypto.randomUUID(), at: closedAt },
        );
    });
    revalidatePath('/');
    revalidatePath('/notebook');
    revalidatePath('/shelf');
    revalidatePath('/donors');
    return undefined;
  });
}
