import 'server-only';
import { parentOf, readLibrary, sheetCards, type SheetCard } from '@/workshop/library/server';
import { adoptedId, adoptedText } from '@/core/sheet';
import { database, type SheetVersion, versionsOf } from '@/store';

export async function loadSheets(): Promise<SheetCard[]> {
  return sheetCards(await readLibrary());
}

/** A sheet opened for editing. */
export interface OpenSheet {
  readonly id: string;
  readonly text: string;
  /** Version the text is of; 0 where the shop has none of its own. */
  readonly version: number;
  readonly versions: readonly SheetVersion[];
  /** Texts of the sheets it is, or may be, laid over. */
  readonly parents: Readonly<Record<string, string>>;
}

/** The chain of sheets below a text. */
function chainOf(texts: ReadonlyMap<string, string>, text: string): string[] {
  const chain: string[] = [];
  let parent = parentOf(text);
  while (parent !== undefined && !chain.includes(parent)) {
    chain.push(parent);
    parent = parentOf(texts.get(parent) ?? '');
  }
  return chain;
}

/**
 * @param version an older version to look at; the newest where none is asked for
 * @returns undefined where there is no such sheet
 */
export async function loadSheet(id: string, version?: number): Promise<OpenSheet | undefined> {
  const library = await readLibrary();
  const versions = await versionsOf(await database(), id);
  const text = versions.find((one) => one.version === version)?.text ?? library.texts.get(id);
  if (text === undefined) return undefined;
  return {
    id,
    text,
    version: versions[0]?.version ?? 0,
    versions,
    parents: Object.fromEntries(chainOf(library.texts, text).map((one) => [one, library.texts.get(one) ?? ''])),
  };
}

/** A new sheet laid over another, to be refined. */
export async function adoptSheet(parent: string): Promise<OpenSheet | undefined> {
  const library = await readLibrary();
  const base = library.texts.get(parent);
  if (base === undefined) return undefined;
  const title = /^title: *(.+)$/m.exec(base)?.[1] ?? parent;
  return {
    id: adoptedId(parent),
    text: adoptedText(adoptedId(parent), parent, `${title}, ours`),
    version: 0,
    versions: [],
    parents: Object.fromEntries([parent, ...chainOf(library.texts, base)].map((one) => [one, library.texts.get(one)!])),
  };
}
