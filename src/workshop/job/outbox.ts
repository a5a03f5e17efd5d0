import { type LogEntry } from '@/core/log';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

interface Waiting {
  readonly id: string;
  readonly job: string;
  /** Order in which lines were typed. */
  readonly order: number;
  readonly entry: LogEntry;
}

interface Schema extends DBSchema {
  waiting: { key: string; value: Waiting; indexes: { job: string } };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;

function outbox(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('tovrik-outbox', 1, {
    upgrade(database) {
      database.createObjectStore('waiting', { keyPath: 'id' }).createIndex('job', 'job');
    },
  });
  return opened;
}

let order = 0;

/** Keeps lines in the browser until the server has acknowledged them. */
export async function keepWaiting(job: string, entries: readonly LogEntry[]): Promise<void> {
  const transaction = (await outbox()).transaction('waiting', 'readwrite');
  for (const entry of entries)
    await transaction.store.put({ id: entry.id, job, order: Date.now() * 1000 + (order++ % 1000), entry });
  await transaction.done;
}

/** Lines of a job not yet acknowledged, in the order in which they were typed. */
export async function stillWaiting(job: string): Promise<LogEntry[]> {
  const found = await (await outbox()).getAllFromIndex('waiting', 'job', job);
  return found.sort((a, b) => a.order - b.order).map(({ entry }) => entry);
}

export async function acknowledged(ids: readonly string[]): Promise<void> {
  const transaction = (await outbox()).transaction('waiting', 'readwrite');
  for (const id of ids) await transaction.store.delete(id);
  await transaction.done;
}
