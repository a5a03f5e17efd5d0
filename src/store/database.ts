import { mkdirSync } from 'node:fs';
import path from 'node:path';
import knex, { type Knex } from 'knex';
import { migrations } from './migrations';

/** What better-sqlite3 gives to `afterCreate`. */
interface RawConnection {
  pragma(statement: string): unknown;
}

/**
 * Opens a database file, makes it durable and brings it to the newest migration.
 *
 * Write-ahead logging with full synchronisation: what a statement has acknowledged survives a
 * killed process and a power cut.
 *
 * @param file path, or `:memory:`
 */
export async function openDatabase(file: string): Promise<Knex> {
  if (file !== ':memory:') mkdirSync(path.dirname(path.resolve(file)), { recursive: true });
  const database = knex({
    client: 'better-sqlite3',
    connection: { filename: file },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate(connection: RawConnection, done: (error: Error | null, connection: RawConnection) => void) {
        connection.pragma('journal_mode = WAL');
        connection.pragma('synchronous = FULL');
        connection.pragma('foreign_keys = ON');
        connection.pragma('busy_timeout = 5000');
        done(null, connection);
      },
    },
  });
  await database.migrate.latest({ migrationSource: migrations });
  return database;
}

/** The user's own data unless the environment names another file, as the demo does. */
export function databaseFile(): string {
  return process.env.TOVRIK_DB ?? path.join(process.cwd(), 'data', 'tovrik.db');
}

const shared = globalThis as { tovrikDatabase?: { file: string; opened: Promise<Knex> } };

/** The one database of this server process, opened when first needed. */
export function database(): Promise<Knex> {
  const file = databaseFile();
  if (shared.tovrikDatabase?.file !== file) shared.tovrikDatabase = { file, opened: openDatabase(file) };
  return shared.tovrikDatabase.opened;
}

/** Lets go of the database of this process, so that its file can be replaced; it is opened again when next needed. */
export async function releaseDatabase(): Promise<void> {
  const opened = shared.tovrikDatabase?.opened;
  delete shared.tovrikDatabase;
  await (await opened)?.destroy();
}
