import { type Knex } from 'knex';
import { type Complaint } from '@/core/diagnosis';

/** What a set on the queue waits for. */
export interface Waiting {
  readonly for: 'part' | 'donor' | 'owner' | 'soak' | 'bench';
  readonly note: string;
  /** ISO date or instant it is expected to end; empty when nobody knows. */
  readonly until: string;
}

/** A set taken in. */
export interface Job {
  readonly id: string;
  readonly title: string;
  /** Where the set belongs. */
  readonly place: string;
  /** Id of the chassis sheet. */
  readonly sheet: string;
  /** Values read off the set's own label, by label field. */
  readonly label: Readonly<Record<string, number>>;
  /** Choice of each option of the sheet, by option id. */
  readonly options: Readonly<Record<string, string>>;
  readonly complaint: Complaint;
  /** The owner's words. */
  readonly words: string;
  readonly owner: string;
  readonly value: number;
  readonly limit: number;
  /** ISO date on which its owner wants it back; empty where no day was named. */
  readonly due: string;
  /** Put first by hand. */
  readonly pinned: boolean;
  readonly waiting: Waiting | null;
  readonly createdAt: string;
  readonly closedAt: string | null;
  /** The job it was here for before, where it came back. */
  readonly former: string | null;
}

interface Row {
  id: string;
  title: string;
  place: string;
  sheet: string;
  label: string;
  options: string;
  complaint: string;
  words: string;
  owner: string;
  value: number;
  money_limit: number;
  due: string;
  pinned: 0 | 1;
  waiting: string | null;
  created_at: string;
  closed_at: string | null;
  former: string | null;
}

const fromRow = (row: Row): Job => ({
  id: row.id,
  title: row.title,
  place: row.place,
  sheet: row.sheet,
  label: JSON.parse(row.label) as Job['label'],
  options: JSON.parse(row.options) as Job['options'],
  complaint: JSON.parse(row.complaint) as Complaint,
  words: row.words,
  owner: row.owner,
  value: row.value,
  limit: row.money_limit,
  due: row.due,
  pinned: row.pinned === 1,
  waiting: row.waiting === null ? null : (JSON.parse(row.waiting) as Waiting),
  createdAt: row.created_at,
  closedAt: row.closed_at,
  former: row.former,
});

/**
 * Stores a job taken in. The same id twice stores it once.
 */
export async function addJob(database: Knex, job: Job): Promise<void> {
  await database('job')
    .insert({
      id: job.id,
      title: job.title,
      place: job.place,
      sheet: job.sheet,
      label: JSON.stringify(job.label),
      options: JSON.stringify(job.options),
      complaint: JSON.stringify(job.complaint),
      words: job.words,
      owner: job.owner,
      value: job.value,
      money_limit: job.limit,
      due: job.due,
      pinned: job.pinned ? 1 : 0,
      waiting: job.waiting === null ? null : JSON.stringify(job.waiting),
      created_at: job.createdAt,
      closed_at: job.closedAt,
      former: job.former,
    })
    .onConflict('id')
    .ignore();
}

export async function findJob(database: Knex, id: string): Promise<Job | undefined> {
  const row = await database<Row>('job').where({ id }).first();
  return row ? fromRow(row) : undefined;
}

/** Jobs not yet closed, oldest first. */
export async function openJobs(database: Knex): Promise<Job[]> {
  const rows = await database<Row>('job').whereNull('closed_at').orderBy('created_at');
  return rows.map(fromRow);
}

/** Puts an open job on another sheet, which must know all that the first one knew. */
export async function moveToSheet(database: Knex, id: string, sheet: string): Promise<void> {
  await database('job').where({ id }).whereNull('closed_at').update({ sheet });
}

/** What is found out, or put right, of a set after it was taken in. */
export type JobDetails = Pick<
  Job,
  'title' | 'place' | 'owner' | 'words' | 'value' | 'limit' | 'due' | 'label' | 'options'
>;

/** Changes what is known of an open set. @returns false where there is no open job of that id */
export async function reviseJob(database: Knex, id: string, details: JobDetails): Promise<boolean> {
  const { title, place, owner, words, value, limit, due, label, options } = details;
  const changed = await database('job')
    .where({ id })
    .whereNull('closed_at')
    .update({
      title,
      place,
      owner,
      words,
      value,
      money_limit: limit,
      due,
      label: JSON.stringify(label),
      options: JSON.stringify(options),
    });
  return changed > 0;
}

/** Puts an open set first on the queue, or back to where its worth puts it. */
export async function pinJob(database: Knex, id: string, pinned: boolean): Promise<void> {
  await database('job')
    .where({ id })
    .whereNull('closed_at')
    .update({ pinned: pinned ? 1 : 0 });
}

export async function setWaiting(database: Knex, id: string, waiting: Waiting | null): Promise<void> {
  await database('job')
    .where({ id })
    .update({ waiting: waiting === null ? null : JSON.stringify(waiting) });
}

/** How many sets of each sheet came in since a moment, by the sheet’s id. */
export async function jobsBySheet(database: Knex, since: string): Promise<ReadonlyMap<string, number>> {
  const rows = await database('job')
    .where('created_at', '>=', since)
    .select('sheet')
    .count('* as sets')
    .groupBy('sheet');
  return new Map(rows.map(({ sheet, sets }) => [String(sheet), Number(sets)]));
}
