import { createHash } from 'node:crypto';
import { type Knex } from 'knex';
import { type OldNote } from '@/core/notebook';
import { addJob } from './jobs';
import { closeJob } from './notes';

/** An old note, with the sheet it belongs to and the fault it counts as. */
export interface CountedNote {
  readonly note: OldNote;
  readonly sheet: { readonly id: string; readonly title: string };
  readonly fault: string | null;
}

/** An id made of what the note says, so that a list taken in twice is there once. */
function idOf(note: OldNote): string {
  const hash = createHash('sha256').update(JSON.stringify(note)).digest('hex');
  return [
    hash.slice(0, 8),
    hash.slice(8, 12),
    `5${hash.slice(13, 16)}`,
    `8${hash.slice(17, 20)}`,
    hash.slice(20, 32),
  ].join('-');
}

/**
 * Takes old notes in as jobs that were closed on their day, all of them or none.
 *
 * @returns how many were not there yet
 */
export async function addOldNotes(database: Knex, notes: readonly CountedNote[]): Promise<number> {
  return database.transaction(async (work) => {
    let added = 0;
    for (const { note, sheet, fault } of notes) {
      const id = idOf(note);
      if (await work('job').where({ id }).first('id')) continue;
      const at = `${note.date}T12:00:00.000Z`;
      await addJob(work, {
        id,
        title: note.set === '' ? sheet.title : note.set,
        place: '',
        sheet: sheet.id,
        label: {},
        options: {},
        complaint: { symptoms: [], signs: {} },
        words: '',
        owner: '',
        value: 0,
        limit: 0,
        waiting: null,
        createdAt: at,
        closedAt: null,
        due: '',
        pinned: false,
        former: null,
      });
      await closeJob(work, {
        job: id,
        sheet: sheet.id,
        title: `${sheet.title}: ${note.symptom === '' ? note.cause : note.symptom}`.slice(0, 160),
        chassis: sheet.title,
        symptom: note.symptom,
        cause: note.cause,
        proof: '',
        cure: note.cure,
        misled: '',
        parts: note.parts,
        remember: note.remember,
        accepted: '',
        fault,
        money: note.money,
        minutes: note.minutes,
        // What became of it nobody wrote down: it is not counted among those that left.
        outcome: 'kept',
        closedAt: at,
      });
      added += 1;
    }
    return added;
  });
}
