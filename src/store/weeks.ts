import { type Knex } from 'knex';
import { type WorkedLine } from '@/core/days';
import { type LogEntry } from '@/core/log';
import { readLogs } from './log';
import { type Outcome } from './notes';

/** A job closed within some days, with its note and all its lines. */
export interface ClosedWithin {
  readonly job: string;
  readonly title: string;
  readonly sheet: string;
  readonly cause: string;
  readonly fault: string | null;
  readonly outcome: Outcome;
  readonly value: number;
  readonly money: number;
  readonly minutes: number;
  readonly createdAt: string;
  readonly closedAt: string;
  readonly entries: readonly LogEntry[];
}

interface Row {
  readonly id: string;
  readonly title: string;
  readonly sheet: string;
  readonly value: number;
  readonly created_at: string;
  readonly closed_at: string | null;
  readonly cause: string | null;
  readonly fault: string | null;
  readonly outcome: Outcome | null;
  readonly money: number | null;
  readonly minutes: number | null;
}

/**
 * The lines that stand of all jobs within some days, in the order of time, and the jobs closed in them.
 *
 * @param from the first instant
 * @param until the first instant after
 */
export async function workedWithin(
  database: Knex,
  from: string,
  until: string,
): Promise<{ readonly lines: readonly WorkedLine[]; readonly closed: readonly ClosedWithin[] }> {
  const rows = (await database('job')
    .leftJoin('fault_note as note', 'note.job', 'job.id')
    .where('job.created_at', '<', until)
    .andWhere((open) => open.whereNull('job.closed_at').orWhere('job.closed_at', '>=', from))
    .select('job.id', 'job.title', 'job.sheet', 'job.value', 'job.created_at', 'job.closed_at')
    .select('note.cause', 'note.fault', 'note.outcome', 'note.money', 'note.minutes')) as Row[];
  const logs = await readLogs(
    database,
    rows.map(({ id }) => id),
  );
  const lines = [...logs].flatMap(([job, entries]) => {
    const replaced = new Set(entries.flatMap(({ supersedes }) => supersedes ?? []));
    return entries
      .filter(({ id, at }) => at >= from && at < until && !replaced.has(id))
      .map(({ at, body }): WorkedLine => ({ job, at, body }));
  });
  return {
    lines: lines.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0)),
    closed: rows
      .filter(({ closed_at, outcome }) => closed_at !== null && closed_at < until && outcome !== null)
      .map((row) => ({
        job: row.id,
        title: row.title,
        sheet: row.sheet,
        cause: row.cause!,
        fault: row.fault,
        outcome: row.outcome!,
        value: row.value,
        money: row.money!,
        minutes: row.minutes!,
        createdAt: row.created_at,
        closedAt: row.closed_at!,
        entries: logs.get(row.id)!,
      }))
      .sort((a, b) => (a.closedAt < b.closedAt ? -1 : 1)),
  };
}
