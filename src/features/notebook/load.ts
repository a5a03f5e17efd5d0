import 'server-only';
import { loadJob } from '@/workshop/job/server';
import { type Case } from '@/core/diagnosis';
import { caseOf, type JobFile } from '@/workshop/job';
import { type LogEntry, standing } from '@/core/log';
import { readLibrary, sheetCards } from '@/workshop/library/server';
import { cameBackAs, database, type FaultNote, findNote, type FoundNotes, readSettings, searchNotes } from '@/store';

export async function loadNotes(typed: string): Promise<FoundNotes & { readonly currency: string }> {
  const db = await database();
  const [found, settings] = await Promise.all([searchNotes(db, typed), readSettings(db)]);
  return { ...found, currency: settings.currency };
}

/** What the page of old notes chooses from. */
export async function loadOldNotes() {
  const cards = sheetCards(await readLibrary()).filter(({ broken }) => broken === undefined);
  const { currency } = await readSettings(await database());
  return { sheets: cards.map(({ id, title }) => ({ id, title })), currency };
}

/** A note with the set it is about and the record it was written from. */
export interface NotePage {
  readonly note: FaultNote;
  readonly set: Pick<JobFile, 'title' | 'place' | 'words'>;
  readonly record: Case;
  readonly currency: string;
  readonly shop: string;
  readonly photos: readonly { readonly id: string; readonly title: string }[];
  /** The job in which it came back. */
  readonly later: string | undefined;
}

export async function loadNote(id: string): Promise<NotePage | undefined> {
  const db = await database();
  const note = await findNote(db, id);
  const file = note && (await loadJob(id));
  if (!note || !file) return undefined;
  const [{ currency, shop }, later] = await Promise.all([readSettings(db), cameBackAs(db, id)]);
  const photos = photosOf(file.entries);
  const { title, place, words } = file;
  return { note, set: { title, place, words }, record: caseOf(file, file.entries), currency, shop, photos, later };
}

/** The photographs of a job: of its boards, and of its picture as it was measured. */
const photosOf = (entries: readonly LogEntry[]): NotePage['photos'] =>
  standing(entries, 'photo', 'shape').flatMap(({ body }) => {
    if (body.kind === 'photo') return [{ id: body.photo, title: body.title === '' ? body.board : body.title }];
    return body.photo === undefined
      ? []
      : [{ id: body.photo, title: `Picture, ${body.off.toFixed(1)} % of its width off` }];
  });
