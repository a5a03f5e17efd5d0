import 'server-only';
import { kinOf, readLibrary, sheetOf } from '@/workshop/library/server';
import { caseOf } from '@/workshop/job';
import { closedCounts, database, openJobs, readLogs, readSettings } from '@/store';
import { soakRun } from '@/core/proof';
import { openSheet } from '@/core/sheet';
import { inOrder, type QueueRow, queueRow } from './queueModel';

/** All open jobs as rows, in the order of the day. */
export async function loadQueue(): Promise<{ rows: QueueRow[]; currency: string }> {
  const db = await database();
  const now = Date.now();
  const jobs = await openJobs(db);
  const [logs, settings] = await Promise.all([
    readLogs(
      db,
      jobs.map(({ id }) => id),
    ),
    readSettings(db),
  ]);
  const library = await readLibrary();
  const sheets = [...new Set(jobs.map(({ sheet }) => sheet))];
  const closed = new Map(
    await Promise.all(sheets.map(async (sheet) => [sheet, await closedCounts(db, kinOf(library, sheet))] as const)),
  );
  const rows = jobs.flatMap((job): QueueRow[] => {
    const sheet = sheetOf(library, job);
    if (!sheet) return [];
    const file = caseOf(
      {
        sheet: openSheet(sheet),
        complaint: job.complaint,
        closed: closed.get(job.sheet)!,
        hourlyRate: settings.hourlyRate,
      },
      logs.get(job.id)!,
    );
    return [queueRow(job, file, now, soakRun(logs.get(job.id)!, now))];
  });
  return { rows: inOrder(rows, settings.currency), currency: settings.currency };
}
