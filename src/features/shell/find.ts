import 'server-only';
import { database, openJobs, searchNotes } from '@/store';
import { type Found } from './found';

const most = 6;

/** Open sets whose name, place or chassis holds what was typed, and notes that match it. */
export async function find(typed: string): Promise<Found> {
  const db = await database();
  const wanted = typed.trim().toLowerCase().slice(0, 200);
  const [jobs, { notes }] = await Promise.all([
    openJobs(db),
    wanted === '' ? { notes: [] } : searchNotes(db, wanted, most),
  ]);
  return {
    jobs: jobs
      .filter((job) => `${job.title} ${job.place} ${job.sheet} ${job.words}`.toLowerCase().includes(wanted))
      .slice(0, most)
      .map(({ id, title, place }) => ({ id, title, place })),
    notes: notes.map(({ job, title, cause }) => ({ job, title, cause })),
  };
}
