// Whether a database can be read, said before anything is served from it.
import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { fail } from './setup.mjs';

/** Ends with what to do where the database is damaged. */
export async function requireReadable(database) {
  if (!existsSync(database)) return;
  const { default: Raw } = await import('better-sqlite3');
  const said = readable(Raw, database);
  if (said === 'ok') return;
  const folder = path.join(path.dirname(database), 'copies');
  const [newest] = existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => name.endsWith('.db'))
        .sort()
        .reverse()
    : [];
  fail(
    `The data cannot be read (${said}). ${
      newest === undefined
        ? `There is no copy in ${folder}; "bin/tovrik restore COPY.db" puts one in its place where you have one elsewhere.`
        : `The newest copy: bin/tovrik restore ${path.join(folder, newest)}   (what is there now is kept beside it)`
    }`,
  );
}

function readable(Raw, database) {
  let raw;
  try {
    raw = new Raw(database, { fileMustExist: true });
    return raw.pragma('quick_check(1)')[0].quick_check;
  } catch (error) {
    return error.message;
  } finally {
    raw?.close();
  }
}
