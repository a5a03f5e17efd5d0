import 'server-only';
import { createHash } from 'node:crypto';
import { kinOf, type Library, readLibrary, sheetOf } from '@/workshop/library/server';
import { caseOf } from '@/workshop/job';
import {
  closedCounts,
  database,
  type Job,
  keepStandings,
  type KeptStanding,
  openJobs,
  readLogs,
  readSettings,
  readStandings,
  type Settings,
} from '@/store';
import { type LogEntry } from '@/core/log';
import { soakRun } from '@/core/proof';
import { openSheet } from '@/core/sheet';
import { build } from './build';
import { inOrder, type QueueRow, queueRow, type Standing, standingOf } from './queueModel';

/** All open jobs as rows, in the order of the day. */
export async function loadQueue(): Promise<{ rows: QueueRow[]; currency: string }> {
  const db = await database();
  const now = Date.now();
  const jobs = await openJobs(db);
  const ids = jobs.map(({ id }) => id);
  const [logs, settings, known, library] = await Promise.all([
    readLogs(db, ids),
    readSettings(db),
    readStandings(db, ids),
    readLibrary(),
  ]);
  const sheets = [...new Set(jobs.map(({ sheet }) => sheet))];
  const closed = new Map(
    await Promise.all(sheets.map(async (sheet) => [sheet, await closedCounts(db, kinOf(library, sheet))] as const)),
  );
  const workedOut: KeptStanding[] = [];
  const rows = jobs.flatMap((job): QueueRow[] => {
    const told: Told = { job, entries: logs.get(job.id)!, closed: closed.get(job.sheet)!, settings };
    const causes = fingerprintOf(told, library);
    const kept = known.get(job.id);
    const standing = kept?.causes === causes ? (JSON.parse(kept.body) as Standing) : workOut(told, library);
    if (!standing) return [];
    if (kept?.causes !== causes) workedOut.push({ job: job.id, causes, body: JSON.stringify(standing) });
    return [queueRow(job, standing, now, soakRun(told.entries, now))];
  });
  // Another build may judge otherwise, and what could not be kept is worked out again.
  if (build !== undefined) await keepStandings(db, workedOut).catch(() => undefined);
  return { rows: inOrder(rows, settings.currency), currency: settings.currency };
}

/** All that where a job stands comes from, but its sheet. */
interface Told {
  readonly job: Job;
  readonly entries: readonly LogEntry[];
  readonly closed: ReadonlyMap<string, number>;
  readonly settings: Settings;
}

/** Undefined where there is no such sheet. */
function workOut({ job, entries, closed, settings }: Told, library: Library): Standing | undefined {
  const sheet = sheetOf(library, job);
  if (!sheet) return undefined;
  const { complaint } = job;
  return standingOf(caseOf({ sheet: openSheet(sheet), complaint, closed, hourlyRate: settings.hourlyRate }, entries));
}

/** A fingerprint of all that where a job stands comes from: a log only grows, and shipped sheets come with the build. */
function fingerprintOf({ job, entries, closed, settings }: Told, library: Library): string {
  const versions = kinOf(library, job.sheet).map((id) => [id, library.own.get(id)?.version]);
  const log = [entries.length, entries.at(-1)?.id];
  const causes = [build, versions, job.options, job.label, job.complaint, log, [...closed], settings.hourlyRate];
  return createHash('sha1').update(JSON.stringify(causes)).digest('base64');
}
