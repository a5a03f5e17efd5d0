import 'server-only';
import { type Sheet } from '@/core/sheet';
import { shippedSheets } from '@/sheets';
import { closedCounts, database, readSettings, type Settings } from '@/store';

/** A sheet to choose, with what this shop has closed of its kind. */
export interface Choice {
  readonly sheet: Sheet;
  readonly closed: ReadonlyMap<string, number>;
}

export async function loadTakeIn(): Promise<{ choices: Choice[]; settings: Settings }> {
  const db = await database();
  const choices = await Promise.all(
    [...shippedSheets().values()].map(async (sheet) => ({ sheet, closed: await closedCounts(db, sheet.id) })),
  );
  return { choices, settings: await readSettings(db) };
}
