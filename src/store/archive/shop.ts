import { openDatabase } from '../database';
import { mergeArchive, type Merged, type Merging } from './merge';
import { openArchive } from './open';
import { type Extent } from './rows';
import { type Archived, writeArchive } from './write';

/** Writes an archive as the database stands at this moment, whatever is written meanwhile. */
export async function exportShop(databaseFile: string, file: string, extent: Extent, now: Date): Promise<Archived> {
  const database = await openDatabase(databaseFile);
  try {
    return await database.transaction((moment) => writeArchive(moment, file, extent, now));
  } finally {
    await database.destroy();
  }
}

/**
 * Takes an archive into a database, all of it or nothing.
 *
 * @throws Refusal
 */
export async function importShop(databaseFile: string, file: string, merging: Merging): Promise<Merged> {
  const archive = await openArchive(file);
  const database = await openDatabase(databaseFile);
  try {
    return await mergeArchive(database, archive, merging);
  } finally {
    archive.close();
    await database.destroy();
  }
}
