import { attempt, Refusal } from '@/core/quantity';
import 'server-only';
import { cache } from 'react';
import { parse } from 'yaml';
import { Recent } from '@/core/recent';
import { isAnyMake, pathUnderChoices, readSheet, type Sheet, withLabel } from '@/core/sheet';
import { keptTrees, shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';
import { database, ownSheets, type SheetVersion } from '@/store';

/** All sheets there are: those that ship and the shop's own, which go before shipped ones of the same id. */
export interface Library {
  readonly texts: ReadonlyMap<string, string>;
  /** The newest version of each of the shop's own. */
  readonly own: ReadonlyMap<string, SheetVersion>;
}

export const readLibrary = cache(async (): Promise<Library> => {
  const own = new Map((await ownSheets(await database())).map((version) => [version.id, version]));
  return {
    own,
    texts: new Map([...shippedTexts(), ...[...own].map(([id, { text }]) => [id, text] as const)]),
  };
});

/** How a particular set differs from the kind: its options and the values of its label. */
export interface SetOf {
  readonly sheet: string;
  readonly options: Readonly<Record<string, string>>;
  readonly label: Readonly<Record<string, number>>;
}

/** A sheet that was read, and whether it would be read the same from a library as it is now. */
interface Known {
  readonly sheet: Sheet;
  stands(library: Library): boolean;
}

/** Sheets read lately; each keeps its predictions, so the same set is the same object until a text it is read from changes. */
const mostKept = 40;
const read = new Recent<string, Known>(mostKept);

function kept(library: Library, key: string, make: () => Known): Sheet {
  let known = read.get(key);
  if (!known?.stands(library)) read.set(key, (known = make()));
  return known.sheet;
}

/** Reads a sheet of the library, and remembers the texts it took. */
function readFrom(library: Library, id: string, options: SetOf['options']): Known {
  const took = new Map([[id, library.texts.get(id)!]]);
  const texts = {
    get(parent: string) {
      const text = library.texts.get(parent);
      if (text !== undefined) took.set(parent, text);
      return text;
    },
  };
  return {
    sheet: readText({ texts }, took.get(id)!, options),
    stands: (now) => [...took].every(([of, text]) => now.texts.get(of) === text),
  };
}

/**
 * A sheet from its text, with the sheets it is laid over and the netlists inside its blocks: the one way to
 * read one, whether it is stored, opened or only looked at.
 *
 * @throws SheetError with every problem, or where an option has no such choice
 */
export function readText(
  { texts }: { readonly texts: Pick<Library['texts'], 'get'> },
  text: string,
  choices: Readonly<Record<string, string>> = {},
): Sheet {
  return readSheet(text, { textOf: (parent) => texts.get(parent), choices, netlistOf, keptTrees });
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
  const plain = plainSheet(library, id, options);
  if (!plain || plain.label.size === 0) return plain;
  return kept(library, `${id}|${JSON.stringify(options)}|${JSON.stringify(label)}`, () => ({
    sheet: withLabel(plain, label),
    stands: (now) => plainSheet(now, id, options) === plain,
  }));
}

/** A sheet under some choices, before anything was read off a label. */
const plainSheet = (library: Library, id: string, options: SetOf['options']): Sheet | undefined =>
  library.texts.has(id)
    ? kept(library, `${id}|${JSON.stringify(options)}`, () => readFrom(library, id, options))
    : undefined;

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

type Head = Pick<Sheet, 'title' | 'technology' | 'size' | 'summary'>;

/** The head of a shipped sheet, which is right as it is and ends at its first empty line; the rest takes long to read. */
function headOf(texts: Library['texts'], id: string): Head {
  const text = texts.get(id)!;
  const own = parse(text.split(/\n\s*\n/, 1)[0]!) as Head;
  const parent = parentOf(text);
  return parent === undefined ? own : { ...headOf(texts, parent), ...own };
}

/** All sheets a set may be taken in by: chassis first, then the generic ones. */
export function sheetCards(library: Library): SheetCard[] {
  return [...library.texts]
    .filter(([, text]) => complete(text))
    .map(([id]): SheetCard => {
      const generic = isAnyMake(id);
      const card = ({ title, technology, size, summary }: Head) => ({ id, title, technology, size, summary, generic });
      if (!library.own.has(id)) return { ...card(headOf(shippedTexts(), id)), own: false };
      const sheet = attempt(() => sheetOf(library, { sheet: id, options: {}, label: {} })!);
      if (!(sheet instanceof Refusal)) return { ...card(sheet), own: true };
      const known = { id, title: titleOf(library, id), size: '', summary: '', own: true, generic: false };
      return { ...known, technology: 'crt-colour', broken: sheet.message };
    })
    .sort((a, b) => Number(a.generic) - Number(b.generic) || a.title.localeCompare(b.title));
}
