import 'server-only';
import { loadJob } from '@/workshop/job/server';
import { caseOf } from '@/workshop/job';
import { knownOf } from './known';

/** What a job has figures for, by name. */
export async function getKnown(id: string): Promise<Response> {
  const file = await loadJob(id);
  if (!file) return Response.json({ message: 'there is no such job' }, { status: 404 });
  return Response.json(knownOf(caseOf(file, file.entries)));
}
