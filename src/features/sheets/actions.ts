'use server';

import { revalidatePath } from 'next/cache';
import { attempt, placed, Refusal } from '@/core/quantity';
import { database, saveSheet } from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { readLibrary, readText } from '@/workshop/library/server';
import { type Line } from '@/workshop/line';
import { layoutLine } from '@/workshop/line/server';

/**
 * Stores a sheet's text as a new version. A sheet with problems, or one that would break a sheet laid
 * over it, is refused and nothing is stored.
 *
 * @param seen the version the text was made from; 0 for a new sheet
 */
export async function storeSheet(text: unknown, seen: unknown): Promise<Answered<{ readonly version: number }>> {
  return answered(async () => {
    if (typeof text !== 'string' || typeof seen !== 'number') throw new Refusal('a sheet is a text');
    const library = await readLibrary();
    const { id } = readText(library, text);
    if (!/^[a-z0-9][a-z0-9-]{1,60}$/.test(id))
      throw new Refusal(`"${id}" cannot be an id: small letters, digits and dashes, like "halvane-hp-42"`);
    const after = { texts: new Map(library.texts).set(id, text) };
    for (const [other, { text: laidOver }] of library.own)
      if (other !== id) placed(`"${other}" is laid over it and would break`, () => readText(after, laidOver));
    const version = await saveSheet(await database(), { id, text, at: new Date().toISOString() }, seen);
    revalidatePath('/sheets');
    return { version };
  });
}

/**
 * The line from plug to picture that a text would draw.
 *
 * @returns undefined where the text is no sheet
 */
export async function drawLine(text: unknown): Promise<Line | undefined> {
  if (typeof text !== 'string') return undefined;
  const library = await readLibrary();
  const sheet = attempt(() => readText(library, text));
  return sheet instanceof Refusal ? undefined : layoutLine(sheet);
}
