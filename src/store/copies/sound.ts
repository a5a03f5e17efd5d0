import { existsSync, rmSync } from 'node:fs';
import path from 'node:path';
import Raw from 'better-sqlite3';
import { Refusal } from '@/core/quantity';
import { migrationNames } from '../migrations';

/**
 * Reads a database file from end to end without changing it.
 *
 * @throws Refusal where it is missing, damaged, none of Tovrik’s, or of a newer Tovrik
 */
export function requireSound(file: string): void {
  const name = path.basename(file);
  if (!existsSync(file)) throw new Refusal(`${name}: there is no such file`);
  const besides = ['-wal', '-shm']
    .map((ending) => file + ending)
    .filter((one) => !existsSync(/*turbopackIgnore: true*/ one));
  let raw: Raw.Database | undefined;
  try {
    raw = new Raw(file, { readonly: true, fileMustExist: true });
    const [first] = raw.pragma('integrity_check(1)') as { integrity_check: string }[];
    if (first?.integrity_check !== 'ok') throw new Refusal(`${name} is damaged: ${first?.integrity_check ?? 'unread'}`);
    const tables = raw.prepare("select 1 from sqlite_master where name = 'knex_migrations'").get();
    if (!tables) throw new Refusal(`${name} is no database of Tovrik`);
    const known = new Set(migrationNames);
    const unknown = (raw.prepare('select name from knex_migrations').all() as { name: string }[]).find(
      (one) => !known.has(one.name),
    );
    if (unknown) throw new Refusal(`${name} is of a newer Tovrik (${unknown.name}): bring this one up to date first`);
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal(`${name} is damaged or no database: ${(error as Error).message}`);
  } finally {
    raw?.close();
    // What SQLite put beside it only to read it.
    for (const beside of besides) rmSync(beside, { force: true });
  }
}
