'use server';

import { revalidatePath } from 'next/cache';
import path from 'node:path';
import { Refusal } from '@/core/quantity';
import {
  copiesFolder,
  copiesIn,
  database,
  databaseFile,
  examine,
  type Finding,
  makeCopy,
  mend,
  readCauses,
  releaseDatabase,
  restore,
  saveSettings,
  takeCauses,
} from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { settingsSchema } from './settingsSchema';

export async function keepSettings(input: unknown): Promise<Answered> {
  return answered(async () => {
    await saveSettings(await database(), settingsSchema.validateSync(input));
    revalidatePath('/', 'layout');
    return undefined;
  });
}

/** Looks the data over; with `mending` what is worked out from the rest is worked out anew first. */
export async function lookOver(mending: boolean): Promise<Answered<Finding[]>> {
  return answered(async () => {
    const db = await database();
    if (mending) await mend(db);
    return examine(db, databaseFile(), new Date());
  });
}

export async function copyNow(): Promise<Answered> {
  return answered(async () => {
    await makeCopy(await database(), copiesFolder(databaseFile()), new Date());
    revalidatePath('/settings');
    return undefined;
  });
}

/** Puts a copy in the place of the data. @returns the name of the file that keeps what was there */
export async function goBackTo(name: unknown): Promise<Answered<string>> {
  return answered(async () => {
    const copy = copiesIn(copiesFolder(databaseFile())).find(({ file }) => path.basename(file) === name);
    if (!copy) throw new Refusal('there is no such copy any more');
    await releaseDatabase();
    const before = restore(copy.file, databaseFile(), new Date());
    revalidatePath('/', 'layout');
    return before === undefined ? '' : path.basename(before);
  });
}

/** Counts what another shop found, by the text of its file. */
export async function countFrom(text: unknown): Promise<Answered<number>> {
  return answered(async () => {
    const causes = readCauses(String(text));
    await takeCauses(await database(), causes);
    return causes.counts.length;
  });
}
