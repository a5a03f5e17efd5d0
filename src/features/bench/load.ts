import 'server-only';
import { kinOf, readLibrary } from '@/workshop/library/server';
import { predictionsOf } from '@/core/behaviour';
import { type Usual, usualReadings } from '@/core/reading';
import { type JobFile } from '@/workshop/job';
import { closedLogs, database } from '@/store';

/** Closed jobs looked back on. */
const most = 60;

/** What the shop's own sets of a job's kind read at each check. */
export async function loadUsual(file: JobFile): Promise<Map<string, Usual>> {
  const kin = kinOf(await readLibrary(), file.sheet.id);
  const closed = await closedLogs(await database(), kin, most);
  return usualReadings(predictionsOf(file.sheet), closed, file.title);
}
