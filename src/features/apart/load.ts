import 'server-only';
import { type OfferedStep, teardownOf } from '@/core/teardown';
import { database, lastTakenApart } from '@/store';
import { kinOf, readLibrary } from '@/workshop/library/server';

/** What the last closed set of its kind took when it was taken apart, in its order. */
export async function loadLastApart(job: string, sheet: string): Promise<OfferedStep[]> {
  const entries = await lastTakenApart(await database(), kinOf(await readLibrary(), sheet).slice(0, 1), job);
  return teardownOf(entries).map(({ what, title, count }) => ({ what, title, count }));
}
