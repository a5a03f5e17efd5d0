import 'server-only';
import { kinOf, readLibrary } from '@/workshop/library/server';
import { predictionsOf } from '@/core/behaviour';
import { type Usual, usualReadings } from '@/core/reading';
import { type JobFile } from '@/workshop/job';
import { Keeper } from '@/workshop/job/server';
import { closedLogs, database, lastClosed } from '@/store';

/** Closed jobs looked back on. */
const most = 60;

const kept = new Keeper<ReadonlyMap<string, Usual>>();

/** What the shop's own sets of a job's kind read at each check. */
export async function loadUsual({ id, sheet, title }: JobFile): Promise<ReadonlyMap<string, Usual>> {
  const db = await database();
  const kin = kinOf(await readLibrary(), sheet.id);
  return kept.get(id, [sheet, title, await lastClosed(db, kin)], async () =>
    usualReadings(predictionsOf(sheet), await closedLogs(db, kin, most), title),
  );
}
