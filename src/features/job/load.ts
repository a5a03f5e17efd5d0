import 'server-only';
import { cache } from 'react';
import { type Sheet, withLabel } from '@/core/sheet';
import { shippedSheets } from '@/sheets';
import { closedCounts, database, findJob, type Job, readLog, readSettings } from '@/store';
import { type JobFile } from './jobFile';

const labelled = new Map<string, Sheet>();

/** The sheet of a job with its own label values; the same object every time, so that its predictions are kept. */
export function sheetOf(job: Pick<Job, 'sheet' | 'label'>): Sheet | undefined {
  const sheet = shippedSheets().get(job.sheet);
  if (!sheet || Object.keys(job.label).length === 0) return sheet;
  const key = `${job.sheet}@${JSON.stringify(job.label)}`;
  let found = labelled.get(key);
  if (!found) labelled.set(key, (found = withLabel(sheet, job.label)));
  return found;
}

/** A job with its log and sheet; undefined when there is none of that id. */
export const loadJob = cache(async (id: string): Promise<JobFile | undefined> => {
  const db = await database();
  const job = await findJob(db, id);
  const sheet = job && sheetOf(job);
  if (!job || !sheet) return undefined;
  const [log, closed, settings] = await Promise.all([readLog(db, id), closedCounts(db, job.sheet), readSettings(db)]);
  const { title, place, owner, words, value, limit, complaint, waiting, createdAt, closedAt } = job;
  return {
    id,
    title,
    place,
    owner,
    words,
    value,
    limit,
    complaint,
    waiting,
    createdAt,
    closedAt,
    entries: log.entries,
    seq: log.seq,
    sheet,
    closed,
    ...settings,
  };
});
