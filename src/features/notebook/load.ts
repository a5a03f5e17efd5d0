import 'server-only';
import { loadJob } from '@/workshop/job/server';
import { type Case } from '@/core/diagnosis';
import { caseOf, type JobFile } from '@/workshop/job';
import { database, type FaultNote, findNote, readSettings, searchNotes } from '@/store';

export async function loadNotes(typed: string): Promise<{ notes: FaultNote[]; currency: string }> {
  const db = await database();
  const [notes, settings] = await Promise.all([searchNotes(db, typed), readSettings(db)]);
  return { notes, currency: settings.currency };
}

/** A note with the set it is about and the record it was written from. */
export async function loadNote(
  id: string,
): Promise<
  { note: FaultNote; set: Pick<JobFile, 'title' | 'place' | 'words'>; record: Case; currency: string } | undefined
> {
  const note = await findNote(await database(), id);
  const file = note && (await loadJob(id));
  return note && file ? { note, set: file, record: caseOf(file, file.entries), currency: file.currency } : undefined;
}
