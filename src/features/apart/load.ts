import 'server-only';
import { type OfferedStep, teardownOf } from '@/core/teardown';
import { database, lastWith } from '@/store';

/** What the last closed set of its kind took when it was taken apart, in its order. */
export async function loadLastApart(job: string, sheet: string): Promise<OfferedStep[]> {
  const entries = await lastWith(await database(), 'apart', [sheet], job);
  return teardownOf(entries).map(({ what, title, count }) => ({ what, title, count }));
}
