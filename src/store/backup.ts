import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { type Knex } from 'knex';

interface RawDatabase {
  backup(file: string): Promise<unknown>;
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
  const stamp = now.toISOString().replaceAll(':', '-').slice(0, 19);
  const file = path.join(folder, `tovrik-${stamp}.db`);
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
