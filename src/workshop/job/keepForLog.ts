import { type LogBody, type LogEntry } from '@/core/log';
import { acknowledged, keepWaiting } from './outbox';

/** Told to the page when something waits that was not recorded through its own log. */
export const leftWaiting = 'tovrik-left-waiting';

/**
 * Records a line from outside the bench. A page with the job's log open takes it over; where there is
 * none it is sent here, and waits for the next such page when the server is away.
 */
export async function keepForLog(job: string, body: LogBody): Promise<void> {
  const entry: LogEntry = { id: crypto.randomUUID(), at: new Date().toISOString(), body };
  await keepWaiting(job, [entry]);
  const nobodyTookIt = window.dispatchEvent(new CustomEvent(leftWaiting, { detail: job, cancelable: true }));
  if (!nobodyTookIt) return;
  try {
    await send(job, entry);
  } catch {
    // The server is away: the line waits in the outbox.
  }
}

async function send(job: string, entry: LogEntry): Promise<void> {
  const address = `/api/jobs/${job}/log`;
  const { seq } = (await (await fetch(address)).json()) as { seq: number };
  const response = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ seen: seq, entries: [entry] }),
  });
  if (response.ok) await acknowledged([entry.id]);
}
