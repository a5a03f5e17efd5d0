import { attempt, Refusal } from '@/core/quantity';
import 'server-only';
import { cache } from 'react';
import { pathUnderChoices, readSheet, type Sheet, withLabel } from '@/core/sheet';
import { shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';
import { database, ownSheets, type SheetVersion } from '@/store';

/** All sheets there are: those that ship and the shop's own, which go before shipped ones of the same id. */
export interface Library {
  readonly texts: ReadonlyMap<string, string>;
  /** The newest version of each of the shop's own. */
  readonly own: ReadonlyMap<string, SheetVersion>;
  /** Changes whenever a sheet is saved. */
  readonly stamp: string;
}

export const readLibrary = cache(async (): Promise<Library> => {
  const own = new Map((await ownSheets(await database())).map((version) => [version.id, version]));
  return {
    own,
    texts: new Map([...shippedTexts(), ...[...own].map(([id, { text }]) => [id, text] as const)]),
    stamp: [...own.values()].map(({ id, version }) => `${id}.${version}`).join(),
  };
});

/** How a particular set differs from the kind: its options and the values of its label. */
export interface SetOf {
  readonly sheet: string;
  readonly options: Readonly<Record<string, string>>;
  readonly label: Readonly<Record<string, number>>;
}

/** Sheets read lately; each keeps its predictions, so the same set is always the same object. */
const read = new Map<string, Sheet>();
const mostKept = 60;

function kept(key: string, make: () => Sheet): Sheet {
  let sheet = read.get(key);
  if (sheet) read.delete(key);
  else sheet = make();
  read.set(key, sheet);
  for (const oldest of read.keys()) {
    if (read.size <= mostKept) break;
    read.delete(oldest);
  }
  return sheet;
}

/**
 * A sheet from its text, with the sheets it is laid over and the netlists inside its blocks: the one way to
 * read one, whether it is stored, opened or only looked at.
 *
 * @throws SheetError with every problem, or where an option has no such choice
 */
export function readText(
  { texts }: Pick<Library, 'texts'>,
  text: string,
  choices: Readonly<Record<string, string>> = {},
): Sheet {
  return readSheet(text, { textOf: (parent) => texts.get(parent), choices, netlistOf });
}

/** Where something learnt on a set is written in a sheet's text, so that it stands with the set's own options. */
export const placeUnderChoices = (
  { texts }: Pick<Library, 'texts'>,
  text: string,
  choices: Readonly<Record<string, string>>,
) => pathUnderChoices(text, { textOf: (parent) => texts.get(parent), choices });

/** A sheet's title as its text has it; its id where it has none. */
export const titleOf = ({ texts }: Pick<Library, 'texts'>, id: string): string =>
  /^title: *(.+)$/m.exec(texts.get(id) ?? '')?.[1] ?? id;

/**
 * The sheet of a particular set; undefined where there is no such sheet.
 *
 * @throws SheetError when it cannot be read, or an option has no such choice
 */
export function sheetOf(library: Library, { sheet: id, options, label }: SetOf): Sheet | undefined {
  const text = library.texts.get(id);
  if (text === undefined) return undefined;
  const key = `${library.stamp}|${id}|${JSON.stringify(options)}`;
  const plain = kept(key, () => readText(library, text, options));
  return Object.keys(label).length === 0
    ? plain
    : kept(`${key}|${JSON.stringify(label)}`, () => withLabel(plain, label));
}

/** A sheet's id with those it refines: sets of any of them are sets of the same kind. */
export function kinOf({ texts, own }: Library, id: string): string[] {
  const kin = [id];
  for (let at = id; own.has(at);) {
    const parent = parentOf(texts.get(at) ?? '');
    if (parent === undefined || kin.includes(parent)) break;
    kin.push(parent);
    at = parent;
  }
  return kin;
}

/** The id of the sheet a text is laid over. */
export function parentOf(text: string): string | undefined {
  return /^extends: *(\S+)/m.exec(text)?.[1];
}

/** A sheet as it is chosen from a list. */
export type SheetCard = Pick<Sheet, 'id' | 'title' | 'technology' | 'size' | 'summary'> & {
  readonly own: boolean;
  readonly generic: boolean;
  /** What is wrong with a sheet that cannot be used at present. */
  readonly broken?: string;
};

/** What several sheets are laid upon has no technology, and is no sheet by itself. */
const complete = (text: string): boolean => /^technology:|^extends:/m.test(text) && !/^id: *crt-guns\b/m.test(text);

/** All sheets a set may be taken in by: chassis first, then the generic ones. */
export function sheetCards(library: Library): SheetCard[] {
  return [...library.texts]
    .filter(([, text]) => complete(text))
    .map(([id]): SheetCard => {
      const own = library.own.has(id);
      const sheet = attempt(() => sheetOf(library, { sheet: id, options: {}, label: {} })!);
      if (sheet instanceof Refusal) {
        const known = { id, title: titleOf(library, id), size: '', summary: '', own, generic: false };
        return { ...known, technology: 'crt-colour', broken: sheet.message };
      }
      const { title, technology, size, summary } = sheet;
      return { id, title, technology, size, summary, own, generic: id.startsWith('generic-') };
    })
    .sort((a, b) => Number(a.generic) - Number(b.generic) || a.title.localeCompare(b.title));
}
