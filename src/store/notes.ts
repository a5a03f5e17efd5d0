import { Refusal } from '@/core/quantity';
import { type Knex } from 'knex';
import { type ClosedLog } from '@/core/reading';
import { readLogs } from './log';

/** How a job can end. */
export type Outcome = 'returned' | 'sold' | 'kept' | 'stripped';

/** What a closed job taught. */
export interface FaultNote {
  readonly job: string;
  readonly sheet: string;
  readonly title: string;
  readonly chassis: string;
  readonly symptom: string;
  readonly cause: string;
  readonly proof: string;
  readonly cure: string;
  readonly misled: string;
  readonly parts: string;
  /** The sheet's fault that it was, where the sheet has one. */
  readonly fault: string | null;
  readonly money: number;
  readonly minutes: number;
  readonly outcome: Outcome;
  readonly closedAt: string;
}

type Row = Omit<FaultNote, 'closedAt'> & { number: number; closed_at: string };

const fromRow = ({ number: _number, closed_at, ...note }: Row): FaultNote => ({ ...note, closedAt: closed_at });

/** A job may be closed once. */
export class AlreadyClosed extends Refusal {
  override readonly name = 'AlreadyClosed';
}

/**
 * Closes a job with its fault note, both or neither.
 *
 * @throws AlreadyClosed when the job is closed or does not exist
 */
export async function closeJob(database: Knex, note: FaultNote): Promise<void> {
  await database.transaction(async (transaction) => {
    const closed = await transaction('job')
      .where({ id: note.job })
      .whereNull('closed_at')
      .update({ closed_at: note.closedAt, waiting: null });
    if (closed === 0) throw new AlreadyClosed('this job is closed already, or gone');
    const { closedAt, ...columns } = note;
    await transaction('fault_note').insert({ ...columns, closed_at: closedAt });
  });
}

export async function findNote(database: Knex, job: string): Promise<FaultNote | undefined> {
  const row = await database<Row>('fault_note').where({ job }).first();
  return row ? fromRow(row) : undefined;
}

/**
 * A full-text query from what was typed: every word must occur, the last may be unfinished.
 * Anything that is not a letter or digit separates words, so no query syntax can leak in.
 */
export function searchQuery(typed: string): string {
  const words = typed.match(/[\p{L}\p{N}]+/gu) ?? [];
  return words.map((word, index) => (index === words.length - 1 ? `"${word}"*` : `"${word}"`)).join(' ');
}

/** Notes that hold all the words, best match first; without words the newest first. */
export async function searchNotes(database: Knex, typed: string, most = 100): Promise<FaultNote[]> {
  const query = searchQuery(typed);
  if (query === '') {
    const rows = await database<Row>('fault_note').orderBy('closed_at', 'desc').limit(most);
    return rows.map(fromRow);
  }
  const rows = (await database('note_search')
    .join('fault_note', 'fault_note.number', 'note_search.rowid')
    .whereRaw('note_search match ?', [query])
    .orderByRaw('bm25(note_search, 4, 3, 3, 4, 1, 2, 1, 2)')
    .limit(most)
    .select('fault_note.*')) as Row[];
  return rows.map(fromRow);
}

/** How many closed jobs of a sheet each fault explained. */
export async function closedCounts(database: Knex, sheets: readonly string[]): Promise<Map<string, number>> {
  const rows = (await database('fault_note')
    .whereIn('sheet', sheets)
    .whereNotNull('fault')
    .groupBy('fault')
    .select('fault')
    .count({ count: '*' })) as unknown as {
    fault: string;
    count: number;
  }[];
  return new Map(rows.map(({ fault, count }) => [fault, Number(count)]));
}

/** Jobs of some sheets that were closed with the set whole, the newest first, each by the set's name with its log. */
export async function closedLogs(database: Knex, sheets: readonly string[], most: number): Promise<ClosedLog[]> {
  const rows = (await database('fault_note')
    .join('job', 'job.id', 'fault_note.job')
    .whereIn('fault_note.sheet', sheets)
    .whereNot({ outcome: 'stripped' })
    .orderBy('fault_note.closed_at', 'desc')
    .limit(most)
    .select('fault_note.job', 'job.title', 'fault_note.closed_at')) as Pick<Row, 'job' | 'title' | 'closed_at'>[];
  const logs = await readLogs(
    database,
    rows.map(({ job }) => job),
  );
  return rows.map(({ job, title, closed_at }) => ({ title, closedAt: closed_at, log: logs.get(job)! }));
}

/** How many jobs of each sheet were closed. */
export async function closedBySheet(database: Knex): Promise<Map<string, number>> {
  const rows = (await database('fault_note').groupBy('sheet').select('sheet').count({ count: '*' })) as unknown as {
    sheet: string;
    count: number;
  }[];
  return new Map(rows.map(({ sheet, count }) => [sheet, Number(count)]));
}
