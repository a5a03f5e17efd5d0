import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import Raw from 'better-sqlite3';
import { Refusal } from '@/core/quantity';
import { copyName } from './backup';
import { requireSound } from './sound';

/** What SQLite keeps beside a database that is in use. */
const besides = ['-wal', '-shm'];

/**
 * Puts a copy in the place of the database, after it has been read from end to end. What was there is kept beside it.
 *
 * @returns where what was there is now; undefined when nothing was
 * @throws Refusal where the copy is not sound or a server has the database open; nothing is changed
 */
export function restore(copy: string, databaseFile: string, now: Date): string | undefined {
  requireSound(copy);
  mkdirSync(path.dirname(databaseFile), { recursive: true });
  const arriving = `${databaseFile}.arriving`;
  copyFileSync(copy, arriving);
  try {
    requireSound(arriving);
    const before = `${databaseFile}.before-${copyName(now)}`;
    const there = existsSync(databaseFile);
    if (there) {
      requireUnused(databaseFile);
      renameSync(databaseFile, before);
      for (const beside of besides)
        if (existsSync(databaseFile + beside)) renameSync(databaseFile + beside, before + beside);
    }
    renameSync(arriving, databaseFile);
    return there ? before : undefined;
  } finally {
    rmSync(arriving, { force: true });
  }
}

/** @throws Refusal while another process has the database open; one that is damaged is used by nobody */
function requireUnused(databaseFile: string): void {
  let raw: Raw.Database | undefined;
  try {
    raw = new Raw(databaseFile, { timeout: 500 });
    // Leaving write-ahead logging takes the database for oneself alone.
    raw.pragma('journal_mode = delete');
  } catch (error) {
    if (/^SQLITE_BUSY/.test((error as { code?: string }).code ?? ''))
      throw new Refusal('the database is in use: stop Tovrik first, then restore');
  } finally {
    raw?.close();
  }
}
