import 'server-only';
import { loadJob } from '@/workshop/job/server';
import { type JobFile } from '@/workshop/job';
import { database, findJob, type JobDetails } from '@/store';

/** A job with what was said of its set when it was taken in, or since. */
export interface SetDetails {
  readonly file: JobFile;
  readonly details: JobDetails;
}

export async function loadDetails(id: string): Promise<SetDetails | undefined> {
  const [file, job] = await Promise.all([loadJob(id), database().then((db) => findJob(db, id))]);
  if (!file || !job) return undefined;
  const { title, place, owner, words, value, limit, due, label, options } = job;
  return { file, details: { title, place, owner, words, value, limit, due, label, options } };
}
