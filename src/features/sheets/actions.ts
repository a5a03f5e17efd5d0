'use server';

import { revalidatePath } from 'next/cache';
import { readSheet, SheetError } from '@/core/sheet';
import { database, saveSheet, StaleSheet } from '@/store';
import { readLibrary } from './library';

/** What came of saving a sheet. */
export type Saved = { readonly version: number } | { readonly refused: string };

/**
 * Stores a sheet's text as a new version. A sheet with problems, or one that would break a sheet laid
 * over it, is refused and nothing is stored.
 *
 * @param seen the version the text was made from; 0 for a new sheet
 */
export async function storeSheet(text: unknown, seen: unknown): Promise<Saved> {
  if (typeof text !== 'string' || typeof seen !== 'number') return { refused: 'a sheet is a text' };
  const library = await readLibrary();
  try {
    const { id } = readSheet(text, { textOf: (parent) => library.texts.get(parent) });
    if (!/^[a-z0-9][a-z0-9-]{1,60}$/.test(id))
      return { refused: `"${id}" cannot be an id: small letters, digits and dashes, like "halvane-hp-42"` };
    const after = new Map(library.texts).set(id, text);
    for (const [other, otherText] of library.texts) {
      if (other === id || !library.own.has(other)) continue;
      try {
        readSheet(otherText, { textOf: (parent) => after.get(parent) });
      } catch (error) {
        if (error instanceof SheetError)
          return { refused: `"${other}" is laid over it and would break: ${error.message}` };
        throw error;
      }
    }
    const version = await saveSheet(await database(), { id, text, at: new Date().toISOString() }, seen);
    revalidatePath('/sheets');
    return { version };
  } catch (error) {
    if (error instanceof SheetError) return { refused: error.message };
    if (error instanceof StaleSheet) return { refused: `${error.message}: open it again; your text is kept here` };
    throw error;
  }
}
