import 'server-only';
import { kinOf, readLibrary, sheetOf } from '@/workshop/library/server';
import { cache } from 'react';
import { type ReturnsSeen, returnsSeen } from '@/core/proof';
import { openSheet } from '@/core/sheet';
import { closedCounts, database, findJob, findNote, leavings, readLog, readSettings } from '@/store';
import { type JobFile } from './jobFile';

/** What the shop saw of its sets after they left. */
export const loadReturns = cache(async (): Promise<ReturnsSeen> =>
  returnsSeen(await leavings(await database()), new Date()),
);

/** A job with its log and sheet; undefined when there is none of that id. */
export const loadJob = cache(async (id: string): Promise<JobFile | undefined> => {
  const db = await database();
  const job = await findJob(db, id);
  const library = await readLibrary();
  const sheet = job && sheetOf(library, job);
  if (!job || !sheet) return undefined;
  const [log, closed, settings, before] = await Promise.all([
    readLog(db, id),
    closedCounts(db, kinOf(library, job.sheet)),
    readSettings(db),
    job.former === null ? undefined : findNote(db, job.former),
  ]);
  const { hourlyRate, currency, ...habits } = settings;
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
    sheetVersion: library.own.get(job.sheet)?.version ?? 0,
    closed,
    hourlyRate,
    currency,
    habits,
    ...(before ? { former: { job: before.job, cause: before.cause, closedAt: before.closedAt } } : {}),
  };
});
