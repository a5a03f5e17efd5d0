import { parse, stringify } from 'devalue';
import { kept, Recent } from '../recent';
import { asListed, openSheet } from './openSheet';
import { type Sheet } from './sheet';

const texts = new WeakMap<Sheet, string>();
/** Sheets that are held as they were read: each reader of a text gets the same one, with all that was worked out on it. */
const read = new Recent<string, Sheet>(16);

/** A sheet as text, for another process: what it lists alone, since what no sheet lists is opened again where it is read. */
export const sheetText = (sheet: Sheet): string => kept(texts, sheet, () => stringify(asListed(sheet)));

/** The opened sheet of a text that `sheetText` wrote; the same one for the same text. */
export const sheetOfText = (text: string): Sheet => kept(read, text, () => openSheet(parse(text) as Sheet));
