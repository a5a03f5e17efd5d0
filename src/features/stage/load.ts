import 'server-only';
import { loadJob } from '@/workshop/job/server';
import { type JobFile } from '@/workshop/job';
import { type ShippedStage, shippedStages } from '@/sheets/stages';

export function loadStages(): ShippedStage[] {
  return shippedStages();
}

/** A job whose set has something known inside a block; undefined where there is no such job or block. */
export async function loadInside(job: string, block: string): Promise<JobFile | undefined> {
  const file = await loadJob(job);
  return file?.sheet.blocks.get(block)?.stage?.text === undefined ? undefined : file;
}
