import { Refusal } from '@/core/quantity';
import { type Knex } from 'knex';
import { type Complaint } from '@/core/diagnosis';
import { nearestWord, searchQuery, wordsOf } from '@/core/notebook';
import { type ClosedLog } from '@/core/reading';
import { lentWeight } from './causes';
import { readLogs } from './log';
import { forgetWorkedOut } from './workedOut';

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
  /** What the next who has such a set on the bench should know. */
  readonly remember: string;
  /** What was left as it is on purpose. */
  readonly accepted: string;
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
    await forgetWorkedOut(transaction, note.job);
  });
}

export async function findNote(database: Knex, job: string): Promise<FaultNote | undefined> {
  const row = await database<Row>('fault_note').where({ job }).first();
  return row ? fromRow(row) : undefined;
}

/** Notes that were found, and for what, where nothing held what was typed. */
export interface FoundNotes {
  readonly notes: readonly FaultNote[];
  /** The nearest words there are. */
  readonly instead?: string;
}

/**
 * Notes that hold all the words, best match first; without words the newest first. Where there are none, those that
 * hold the words nearest to them.
 */
export async function searchNotes(database: Knex, typed: string, most = 100): Promise<FoundNotes> {
  const words = wordsOf(typed);
  if (words.length === 0) {
    const rows = await database<Row>('fault_note').orderBy('closed_at', 'desc').limit(most);
    return { notes: rows.map(fromRow) };
  }
  const find = async (query: string) =>
    (await database('note_search')
      .join('fault_note', 'fault_note.number', 'note_search.rowid')
      .whereRaw('note_search match ?', [query])
      .orderByRaw('bm25(note_search, 4, 3, 3, 4, 1, 2, 1, 2, 2, 1)')
      .limit(most)
      .select('fault_note.*')) as Row[];
  const found = await find(searchQuery(words));
  if (found.length > 0) return { notes: found.map(fromRow) };
  const nearest = await nearestWords(database, words);
  if (!nearest) return { notes: [] };
  return { notes: (await find(searchQuery(nearest))).map(fromRow), instead: nearest.join(' ') };
}

/** The words, each that no note holds as the nearest that one does; undefined where one has none near. */
async function nearestWords(database: Knex, words: readonly string[]): Promise<string[] | undefined> {
  const there = (await database('note_search_word').select({ word: 'term', count: 'doc' })) as {
    word: string;
    count: number;
  }[];
  const known = new Set(there.map(({ word }) => word));
  const nearest = words.map((word) => (known.has(word) ? word : nearestWord(word, there)));
  const changed = nearest.some((word, at) => word !== words[at]);
  return changed && nearest.every((word) => word !== undefined) ? nearest : undefined;
}

/** How many closed jobs of some sheets each fault explained; what other shops lend counts by its weight. */
export async function closedCounts(database: Knex, sheets: readonly string[]): Promise<Map<string, number>> {
  type Counted = { fault: string; count: number }[];
  const own = (await database('fault_note')
    .whereIn('sheet', sheets)
    .whereNotNull('fault')
    .groupBy('fault')
    .select('fault')
    .count({ count: '*' })) as unknown as Counted;
  const lent = (await database('lent_count')
    .whereIn('sheet', sheets)
    .groupBy('fault')
    .select('fault')
    .sum({ count: 'count' })) as unknown as Counted;
  const counts = new Map(own.map(({ fault, count }) => [fault, count]));
  for (const { fault, count } of lent) counts.set(fault, (counts.get(fault) ?? 0) + lentWeight * count);
  return counts;
}

/** Changes whenever a job of some sheets is closed. */
export async function lastClosed(database: Knex, sheets: readonly string[]): Promise<string> {
  const [found] = (await database('fault_note')
    .whereIn('sheet', sheets)
    .max({ number: 'number' })
    .count({ count: '*' })) as unknown as { number: number | null; count: number }[];
  return `${found!.count} ${found!.number}`;
}

/** Jobs of some sheets that were closed with the set whole, the newest first, each by the set's name with its log. */
export async function closedLogs(database: Knex, sheets: readonly string[], most: number): Promise<ClosedLog[]> {
  const rows = (await database('fault_note')
    .join('job', 'job.id', 'fault_note.job')
    .whereIn('fault_note.sheet', sheets)
    .whereNot({ outcome: 'stripped' })
    .orderBy('fault_note.closed_at', 'desc')
    .limit(most)
    .select('fault_note.job', 'job.title', 'fault_note.cause', 'job.complaint', 'fault_note.closed_at')) as (Pick<
    Row,
    'job' | 'title' | 'cause' | 'closed_at'
  > & { readonly complaint: string })[];
  const logs = await readLogs(
    database,
    rows.map(({ job }) => job),
  );
  return rows.map(({ job, title, cause, complaint, closed_at }) => ({
    job,
    title,
    cause,
    symptoms: (JSON.parse(complaint) as Pick<Complaint, 'symptoms'>).symptoms,
    closedAt: closed_at,
    log: logs.get(job)!,
  }));
}

/** How many jobs of each sheet were closed. */
export async function closedBySheet(database: Knex): Promise<Map<string, number>> {
  const rows = (await database('fault_note').groupBy('sheet').select('sheet').count({ count: '*' })) as unknown as {
    sheet: string;
    count: number;
  }[];
  return new Map(rows.map(({ sheet, count }) => [sheet, Number(count)]));
}
