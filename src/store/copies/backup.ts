import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { type Knex } from 'knex';

interface RawDatabase {
  backup(file: string): Promise<unknown>;
}

/** What a copy of some instant is called, to the second. */
export const copyName = (at: Date): string => `tovrik-${at.toISOString().replaceAll(':', '-').slice(0, 19)}.db`;

/** When a copy was made, by its name; undefined for any other file. */
export function madeAt(name: string): Date | undefined {
  const [, date, hour, minute, second] = /^tovrik-(\d{4}-\d\d-\d\dT)(\d\d)-(\d\d)-(\d\d)\.db$/.exec(name) ?? [];
  return date === undefined ? undefined : new Date(`${date}${hour}:${minute}:${second}Z`);
}

/**
 * Copies the database into a folder by SQLite's own backup call, which is consistent while the
 * server goes on writing.
 *
 * @param now instant that names the copy
 * @returns path of the copy
 */
export async function backupInto(database: Knex, folder: string, now: Date): Promise<string> {
  mkdirSync(folder, { recursive: true });
  const file = path.join(folder, copyName(now));
  const client = database.client as {
    acquireConnection(): Promise<RawDatabase>;
    releaseConnection(connection: RawDatabase): Promise<void>;
  };
  const connection = await client.acquireConnection();
  try {
    await connection.backup(file);
  } finally {
    await client.releaseConnection(connection);
  }
  return file;
}
