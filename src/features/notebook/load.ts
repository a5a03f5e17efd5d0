import 'server-only';
import { type Case } from '@/core/diagnosis';
import { caseOf } from '@/features/job';
import { loadJob } from '@/features/job/load';
import { database, type FaultNote, findNote, readSettings, searchNotes } from '@/store';

export async function loadNotes(typed: string): Promise<{ notes: FaultNote[]; currency: string }> {
  const db = await database();
  const [notes, settings] = await Promise.all([searchNotes(db, typed), readSettings(db)]);
  return { notes, currency: settings.currency };
}

/** A note with the record it was written from. */
export async function loadNote(job: string): Promise<{ note: FaultNote; record: Case; currency: string } | undefined> {
  const note = await findNote(await database(), job);
  const file = note && (await loadJob(job));
  return note && file ? { note, record: caseOf(file, file.entries), currency: file.currency } : undefined;
}
