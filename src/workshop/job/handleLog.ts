import 'server-only';
import { predictionsOf } from '@/core/behaviour';
import { type LogEntry, parseBatch, unknownName } from '@/core/log';
import { ValidationError } from 'yup';
import { appendLog, database, fullDisk, JobClosed, lastLine, readLog, StaleLog } from '@/store';
import { loadJob } from './load';

const answer = (status: number, message: string, more: object = {}) => Response.json({ message, ...more }, { status });

/** Largest body taken, in bytes; a full batch is well below it. */
const largestBody = 512 * 1024;

/** Adds lines to a job's log. What is answered with 200 is on disk. */
export async function postLog(request: Request, id: string): Promise<Response> {
  const text = await request.text();
  if (text.length > largestBody)
    return answer(413, `that is more than ${largestBody / 1024} KB at once: send fewer lines`);
  try {
    const { seen, entries } = parseBatch(JSON.parse(text));
    const file = await loadJob(id);
    if (!file) return answer(404, 'there is no such job');
    const unknown = unknownName(entries, predictionsOf(file.sheet).names);
    if (unknown !== undefined) return answer(400, unknown);
    const seq = await appendLog(await database(), id, entries, seen);
    return Response.json({ seq });
  } catch (error) {
    if (error instanceof SyntaxError) return answer(400, 'the request is not JSON');
    if (error instanceof ValidationError) return answer(400, error.errors[0] ?? error.message);
    if (error instanceof StaleLog) return answer(409, staleMessage(error.missed, error.latest), { stale: true });
    if (error instanceof JobClosed)
      return answer(
        409,
        'This job was closed in another window: nothing more can be recorded on it. Take the set in again to go on.',
      );
    const full = fullDisk(error);
    if (full) return answer(507, full.message);
    throw error;
  }
}

/**
 * The log of a job, whole; 204 where nothing was added.
 *
 * @param after number of the last line that is known to whoever asks
 */
export async function getLog(id: string, after?: number): Promise<Response> {
  const base = await database();
  if (after !== undefined && (await lastLine(base, id)) === after) return new Response(null, { status: 204 });
  const { entries, seq } = await readLog(base, id);
  return Response.json({ entries, seq });
}

function staleMessage(missed: number, latest: LogEntry): string {
  const lines = missed === 1 ? 'One line was' : `${missed} lines were`;
  return `${lines} recorded in another window since this page was loaded, the last at ${latest.at.slice(11, 16)} UTC. Load what is new; what you typed here is kept and goes in after it.`;
}
