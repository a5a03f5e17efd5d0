import { Refusal } from '@/core/quantity';
import { type LogBody, type LogEntry, reviveBody } from '@/core/log';
import { type Knex } from 'knex';

interface Row {
  seq: number;
  id: string;
  job: string;
  at: string;
  supersedes: string | null;
  body: string;
}

const fromRow = (row: Row): LogEntry => ({
  id: row.id,
  at: row.at,
  body: reviveBody(JSON.parse(row.body) as LogBody),
  ...(row.supersedes === null ? {} : { supersedes: row.supersedes }),
});

/** A job's log with the number of its last line, by which a page tells whether it is up to date. */
export interface StoredLog {
  readonly entries: readonly LogEntry[];
  readonly seq: number;
}

/** The log was added to by another page since the sender last saw it. */
export class StaleLog extends Refusal {
  override readonly name = 'StaleLog';
  constructor(
    readonly missed: number,
    readonly latest: LogEntry,
  ) {
    super(`${missed} line${missed === 1 ? '' : 's'} were recorded elsewhere since this page was loaded`);
  }
}

/** Lines can be added only while the job is open. */
export class JobClosed extends Refusal {
  override readonly name = 'JobClosed';
}

export async function readLog(database: Knex, job: string): Promise<StoredLog> {
  const rows = await database<Row>('log_entry').where({ job }).orderBy('seq');
  return { entries: rows.map(fromRow), seq: rows[rows.length - 1]?.seq ?? 0 };
}

/** Number of the last line of a job's log; 0 where it has none. */
export async function lastLine(database: Knex, job: string): Promise<number> {
  const found = (await database('log_entry').where({ job }).max({ seq: 'seq' }).first()) as { seq: number | null };
  return found.seq ?? 0;
}

/** Logs of several jobs in one query. */
export async function readLogs(database: Knex, jobs: readonly string[]): Promise<Map<string, LogEntry[]>> {
  const logs = new Map(jobs.map((job): [string, LogEntry[]] => [job, []]));
  const rows = await database<Row>('log_entry').whereIn('job', jobs).orderBy('seq');
  for (const row of rows) logs.get(row.job)?.push(fromRow(row));
  return logs;
}

/**
 * Appends lines to a job's log, all or none, and returns the number of the last line.
 *
 * Lines already stored are passed over, so sending a batch again does no harm.
 *
 * @param seen number of the last line the sender knows of
 * @throws StaleLog when another page has recorded something since
 * @throws JobClosed when the job is closed
 */
export async function appendLog(
  database: Knex,
  job: string,
  entries: readonly LogEntry[],
  seen: number,
): Promise<number> {
  return database.transaction(async (transaction) => {
    const open = await transaction('job').where({ id: job }).whereNull('closed_at').first();
    if (!open) throw new JobClosed(`job ${job} is closed`);
    const ids = entries.map((entry) => entry.id);
    const newer = await transaction<Row>('log_entry').where({ job }).where('seq', '>', seen).orderBy('seq');
    const foreign = newer.filter((row) => !ids.includes(row.id));
    const last = foreign[foreign.length - 1];
    if (last) throw new StaleLog(foreign.length, fromRow(last));
    const known = await transaction<Row>('log_entry').whereIn('id', ids).select('id');
    const stored = new Set(known.map((row) => row.id));
    for (const entry of entries) {
      if (stored.has(entry.id)) continue;
      await transaction('log_entry').insert({
        id: entry.id,
        job,
        at: entry.at,
        supersedes: entry.supersedes ?? null,
        body: JSON.stringify(entry.body),
      });
    }
    return lastLine(transaction, job);
  });
}

/** The log of the job among sets of these sheets, but one, in which a line of a kind was written last; empty where none is. */
export async function lastWith(
  database: Knex,
  kind: LogBody['kind'],
  sheets: readonly string[],
  but: string,
): Promise<LogEntry[]> {
  const found = (await database('log_entry')
    .join('job', 'job.id', 'log_entry.job')
    .whereIn('job.sheet', sheets)
    .whereNot('job.id', but)
    .whereRaw("json_extract(log_entry.body, '$.kind') = ?", [kind])
    .orderBy('log_entry.seq', 'desc')
    .first('log_entry.job')) as { job: string } | undefined;
  return found ? [...(await readLog(database, found.job)).entries] : [];
}
