import 'server-only';
import { kinOf, readLibrary, sheetOf } from '@/workshop/library/server';
import { cache } from 'react';
import { openSheet } from '@/core/sheet';
import { closedCounts, database, findJob, readLog, readSettings } from '@/store';
import { type JobFile } from './jobFile';

/** A job with its log and sheet; undefined when there is none of that id. */
export const loadJob = cache(async (id: string): Promise<JobFile | undefined> => {
  const db = await database();
  const job = await findJob(db, id);
  const library = await readLibrary();
  const sheet = job && sheetOf(library, job);
  if (!job || !sheet) return undefined;
  const [log, closed, settings] = await Promise.all([
    readLog(db, id),
    closedCounts(db, kinOf(library, job.sheet)),
    readSettings(db),
  ]);
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
    sheet: openSheet(sheet),
    closed,
    ...settings,
  };
});
