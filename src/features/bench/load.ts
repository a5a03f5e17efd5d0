import 'server-only';
import { kinOf, readLibrary } from '@/workshop/library/server';
import { predictionsOf } from '@/core/behaviour';
import { closedCases, type ClosedCase, type Usual, usualReadings } from '@/core/reading';
import { type JobFile } from '@/workshop/job';
import { Keeper } from '@/workshop/job/server';
import { closedLogs, database, lastClosed } from '@/store';

/** Closed jobs looked back on. */
const most = 60;

/** What the shop's own closed sets of a kind say of one on the bench. */
export interface OwnSets {
  /** What they read once cured, by check. */
  readonly usual: ReadonlyMap<string, Usual>;
  /** How they stood before their repair. */
  readonly cases: readonly ClosedCase[];
}

const kept = new Keeper<OwnSets>();

/** The shop's own closed sets of a job's kind. */
export async function loadOwnSets({ id, sheet, title }: JobFile): Promise<OwnSets> {
  const db = await database();
  const kin = kinOf(await readLibrary(), sheet.id);
  return kept.get(id, [sheet, title, await lastClosed(db, kin)], async () => {
    const closed = await closedLogs(db, kin, most);
    const predictions = predictionsOf(sheet);
    return { usual: usualReadings(predictions, closed, title), cases: closedCases(predictions, closed) };
  });
}
