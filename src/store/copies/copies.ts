import { existsSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { type Knex } from 'knex';
import { backupInto, copyName, madeAt } from './backup';
import { copiesToKeep } from './keep';
import { requireSound } from './sound';

/** A copy of the database. */
export interface Copy {
  readonly file: string;
  readonly at: Date;
}

/** Where the copies of a database stand: beside it. */
export const copiesFolder = (databaseFile: string): string =>
  path.join(path.dirname(path.resolve(databaseFile)), 'copies');

/** The copies there are, the newest first. */
export function copiesIn(folder: string): Copy[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((name) => {
      const at = madeAt(name);
      return at ? [{ file: path.join(folder, name), at }] : [];
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime());
}

/**
 * Makes a copy, reads it from end to end, and only then lets go of those that are no longer kept.
 *
 * @throws Refusal when the copy cannot be read; it is removed, and all others stay
 */
export async function makeCopy(database: Knex, folder: string, now: Date): Promise<Copy> {
  const file = await backupInto(database, folder, now);
  try {
    requireSound(file);
  } catch (error) {
    rmSync(file, { force: true });
    throw error;
  }
  const all = copiesIn(folder);
  const stay = new Set(copiesToKeep(all.map(({ at }) => at)).map((at) => copyName(at)));
  for (const { file: one, at } of all) if (!stay.has(copyName(at))) rmSync(one, { force: true });
  return { file, at: now };
}

const dayAndABit = 20 * 3_600_000;

/** Makes the copy of the day unless there is one of the last twenty hours. @returns the copy, where one was made */
export async function copyOfTheDay(database: Knex, databaseFile: string, now: Date): Promise<Copy | undefined> {
  const folder = copiesFolder(databaseFile);
  const [newest] = copiesIn(folder);
  return newest && now.getTime() - newest.at.getTime() < dayAndABit ? undefined : makeCopy(database, folder, now);
}
