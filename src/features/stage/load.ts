import 'server-only';
import { loadJob } from '@/features/job/load';
import { type JobFile } from '@/features/job';
import { shippedStages } from '@/sheets/stages';
import { type Stage } from './StageDesk';

export function loadStages(): Stage[] {
  return shippedStages();
}

/** A job whose set has something known inside a block; undefined where there is no such job or block. */
export async function loadInside(job: string, block: string): Promise<JobFile | undefined> {
  const file = await loadJob(job);
  return file?.sheet.blocks.get(block)?.stage?.text === undefined ? undefined : file;
}
