import 'server-only';
import { type JobFile } from '@/features/job';
import { loadJob } from '@/features/job/load';
import { database, findJob, type JobDetails } from '@/store';

/** A job with what was said of its set when it was taken in, or since. */
export interface DetailsDesk {
  readonly file: JobFile;
  readonly details: JobDetails;
}

export async function loadDetails(id: string): Promise<DetailsDesk | undefined> {
  const [file, job] = await Promise.all([loadJob(id), database().then((db) => findJob(db, id))]);
  if (!file || !job) return undefined;
  const { title, place, owner, words, value, limit, label, options } = job;
  return { file, details: { title, place, owner, words, value, limit, label, options } };
}
