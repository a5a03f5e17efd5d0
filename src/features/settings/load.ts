import 'server-only';
import { statSync } from 'node:fs';
import path from 'node:path';
import { copiesFolder, copiesIn, database, databaseFile, readSettings, type Settings } from '@/store';

/** A copy of the data, as it is listed. */
export interface CopyRow {
  readonly name: string;
  readonly at: string;
  readonly bytes: number;
}

export async function loadSettings(): Promise<{ readonly settings: Settings; readonly copies: readonly CopyRow[] }> {
  const settings = await readSettings(await database());
  const copies = copiesIn(copiesFolder(databaseFile())).map(({ file, at }) => ({
    name: path.basename(file),
    at: at.toISOString(),
    bytes: statSync(file).size,
  }));
  return { settings, copies };
}
