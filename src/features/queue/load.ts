import 'server-only';
import { setTimeout } from 'node:timers/promises';
import { kinOf, type Library, readLibrary, sheetOf } from '@/workshop/library/server';
import { caseOf } from '@/workshop/job';
import { loadBriefing } from '@/workshop/advice/server';
import { fingerprintOf, readWorked, workAndKeep } from '@/workshop/worked/server';
import { closedCounts, database, type Job, openJobs, readLogs, readSettings, type Settings } from '@/store';
import { type LogEntry } from '@/core/log';
import { soakRun } from '@/core/proof';
import { openSheet } from '@/core/sheet';
import { inOrder, type QueueRow, queueRow, type Standing, standingOf } from './queueModel';

/** All open jobs as rows, in the order of the day. */
export async function loadQueue(): Promise<{ rows: QueueRow[]; currency: string }> {
  const db = await database();
  const now = Date.now();
  const jobs = await openJobs(db);
  const ids = jobs.map(({ id }) => id);
  const [logs, settings, kept, library] = await Promise.all([
    readLogs(db, ids),
    readSettings(db),
    readWorked<Standing | undefined>('standing', ids),
    readLibrary(),
  ]);
  const sheets = [...new Set(jobs.map(({ sheet }) => sheet))];
  const closed = new Map(
    await Promise.all(sheets.map(async (sheet) => [sheet, await closedCounts(db, kinOf(library, sheet))] as const)),
  );
  const rows: QueueRow[] = [];
  for (const job of jobs) {
    const told: Told = { job, entries: logs.get(job.id)!, closed: closed.get(job.sheet)!, settings };
    const causes = causesOf(told, library);
    const standing = kept(job.id, causes) ?? (await workedOut(told, library, causes));
    if (standing) rows.push(queueRow(job, standing, now, soakRun(told.entries, now)));
  }
  return { rows: inOrder(rows, settings.currency), currency: settings.currency };
}

/** All that where a job stands comes from, but its sheet. */
interface Told {
  readonly job: Job;
  readonly entries: readonly LogEntry[];
  readonly closed: ReadonlyMap<string, number>;
  readonly settings: Settings;
}

/** Where jobs stand that are being worked out now, by job and causes: who asks meanwhile waits for the same. */
const underWay = new Map<string, Promise<Standing | undefined>>();

/** Works out where a job stands and keeps it at once. */
function workedOut(told: Told, library: Library, causes: string): Promise<Standing | undefined> {
  const key = `${told.job.id} ${causes}`;
  let standing = underWay.get(key);
  if (!standing) {
    standing = workOut(told, library, causes).finally(() => underWay.delete(key));
    underWay.set(key, standing);
  }
  return standing;
}

/** Between one job and the next others are answered for so long, in milliseconds: a page asks the database a few times. */
const breath = 12;

/** Undefined where there is no such sheet. */
async function workOut(told: Told, library: Library, causes: string): Promise<Standing | undefined> {
  await setTimeout(breath);
  const { job, entries, closed, settings } = told;
  const sheet = sheetOf(library, job);
  if (!sheet) return undefined;
  const { id, complaint } = job;
  const file = { id, sheet: openSheet(sheet), complaint, closed, hourlyRate: settings.hourlyRate, entries };
  const briefing = await loadBriefing(file);
  return workAndKeep('standing', id, causes, () => standingOf(caseOf(file, entries), briefing));
}

/** A fingerprint of all that where a job stands comes from: a log only grows, and shipped sheets come with the build. */
function causesOf({ job, entries, closed, settings }: Told, library: Library): string {
  const versions = kinOf(library, job.sheet).map((id) => [id, library.own.get(id)?.version]);
  const log = [entries.length, entries.at(-1)?.id];
  return fingerprintOf([versions, job.options, job.label, job.complaint, log, [...closed], settings.hourlyRate]);
}
