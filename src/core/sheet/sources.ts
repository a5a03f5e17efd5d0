import {
  isMap,
  isPair,
  isScalar,
  LineCounter,
  type Node,
  Pair,
  parseDocument,
  type Scalar,
  visit,
  YAMLMap,
} from 'yaml';
import { Recent } from '../recent';
import { SheetError } from './problem';
import { type Place } from './place';
import { type KeptTrees, packed, type ParsedText, unpacked } from './tree';
import { sheetFormat } from './words';

/** The longest sheet that is read, in characters. */
export const longestSheet = 512 * 1024;

/** More sheets than this on top of one another are surely a mistake. */
const mostParents = 8;

/** Where a sheet comes from: its own text and what it is built upon. */
export interface SheetSources {
  /** The text of another sheet by its id; undefined where there is none. */
  readonly textOf?: (id: string) => string | undefined;
  /** The choice of each option, by option id; the first choice of an option where none is given. */
  readonly choices?: Readonly<Record<string, string>>;
  /** The text of a netlist by its name; undefined where there is none. */
  readonly netlistOf?: (name: string) => string | undefined;
  readonly keptTrees?: KeptTrees;
}

/** Tells where in which text a node was written. */
export class Places {
  private readonly texts = new WeakMap<Node, { readonly lines: LineCounter; readonly sheet?: string }>();

  constructor(private readonly own: LineCounter) {}

  /** Remembers that all of a document comes from another sheet. */
  adopt({ contents, lines }: ParsedText, sheet: string): void {
    visit(contents, {
      Node: (_, node) => {
        this.texts.set(node as Node, { lines, sheet });
      },
    });
  }

  /** Gives a merged mapping the place of the one it was made from. */
  same(copy: YAMLMap, original: YAMLMap): void {
    copy.range = original.range;
    const text = this.texts.get(original);
    if (text) this.texts.set(copy, text);
  }

  placeOf(node: Node | null | undefined): Place | undefined {
    const start = node?.range?.[0];
    if (!node || start === undefined) return undefined;
    const text = this.texts.get(node);
    const { line, col } = (text?.lines ?? this.own).linePos(start);
    return { line, column: col, ...(text?.sheet === undefined ? {} : { sheet: text.sheet }) };
  }
}

/** A sheet's tree with all it builds upon and its chosen options merged in. */
export interface MergedSheet {
  readonly root: YAMLMap;
  readonly places: Places;
}

function fail(place: Place | undefined, message: string): never {
  throw new SheetError([{ ...(place ?? { line: 1, column: 1 }), message }]);
}

/** Texts of sheets that others are laid over, parsed; nothing that is merged changes them. */
const mostBases = 24;
const bases = new Recent<string, ParsedText>(mostBases);

function parseBase(text: string, sheet: string, trees: KeptTrees | undefined): ParsedText {
  const known = bases.get(text);
  if (known) return known;
  const parsed = parse(text, trees, sheet);
  bases.set(text, parsed);
  return parsed;
}

/** A text's tree as it was kept, or parsed now and kept. */
function parse(text: string, trees: KeptTrees | undefined, sheet?: string): ParsedText {
  const kept = trees?.get(text);
  if (kept) return unpacked(kept);
  const parsed = parseAnew(text, sheet);
  const pack = trees && packed(parsed);
  if (pack) trees.set(text, pack);
  return parsed;
}

function parseAnew(text: string, sheet?: string): ParsedText {
  if (text.length > longestSheet) {
    const size = Math.ceil(text.length / 1024);
    fail(undefined, `the sheet is ${size} KB long; a sheet may have at most ${longestSheet / 1024} KB`);
  }
  const lines = new LineCounter();
  const document = parseDocument(text, { lineCounter: lines, prettyErrors: false });
  if (document.errors.length > 0) {
    throw new SheetError(
      document.errors.map((error) => {
        const { line, col } = lines.linePos(error.pos[0]);
        return { line, column: col, message: error.message, ...(sheet === undefined ? {} : { sheet }) };
      }),
    );
  }
  return { contents: document.contents, lines };
}

function textAt(map: YAMLMap, key: string): string | undefined {
  const node = map.get(key, true) as Node | undefined;
  return isScalar(node) ? String(node.value) : undefined;
}

/**
 * Reads the text of a sheet and merges it onto the sheet it extends, and that onto its own parent.
 *
 * Mappings are merged name by name, everything else is replaced; a name given as `null` is taken
 * out. The choices of options are merged last; one may take out what another of them brings or took out already.
 *
 * @throws SheetError when the text is no YAML, a parent is missing or the sheets extend each other in a circle
 */
export function mergeSheet(text: string, sources: SheetSources): MergedSheet {
  const { root, places } = mergeParents(text, sources);
  const made = madeChoices(root, sources.choices ?? {}, places);
  const changes = everyChange(root);
  return {
    root: made.reduce((whole, { change }) => {
      const others = changes.filter((other) => other !== change);
      return merged(whole, change, places, (path) => others.some((other) => speaksOf(other, path)));
    }, root),
    places,
  };
}

/** A sheet's tree with all it builds upon, and every choice of its options open. */
function mergeParents(
  text: string,
  { textOf = () => undefined, keptTrees }: Pick<SheetSources, 'textOf' | 'keptTrees'>,
): MergedSheet {
  const own = parse(text, keptTrees);
  const places = new Places(own.lines);
  let root = rootOf(own, places);
  const seen = [textAt(root, 'id') ?? ''];
  for (let parent = textAt(root, 'extends'); parent !== undefined;) {
    const place = places.placeOf(root.get('extends', true) as Node);
    if (parent === seen[0] && seen.length === 1) fail(place, `the sheet "${parent}" extends itself`);
    if (seen.includes(parent))
      fail(place, `the sheets extend each other in a circle: ${[...seen, parent].join(' → ')}`);
    if (seen.length > mostParents) fail(place, `more than ${mostParents} sheets upon one another`);
    const below = textOf(parent);
    if (below === undefined) fail(place, `there is no sheet "${parent}" to extend`);
    seen.push(parent);
    const base = parseBase(below, parent, keptTrees);
    places.adopt(base, parent);
    const baseRoot = rootOf(base, places);
    parent = textAt(baseRoot, 'extends');
    const technology = textAt(baseRoot, 'technology');
    if (technology !== undefined && (textAt(root, 'technology') ?? technology) !== technology)
      fail(
        places.placeOf(root.get('technology', true) as Node),
        `the sheet it extends, "${seen.at(-1)!}", is of technology ${technology}`,
      );
    root.delete('extends');
    root = merged(baseRoot, root, places);
  }
  return { root, places };
}

function rootOf({ contents }: ParsedText, places: Places): YAMLMap {
  if (!isMap(contents)) fail(places.placeOf(contents), `a sheet starts with "format: ${sheetFormat}"`);
  const map = contents as YAMLMap;
  if (textAt(map, 'format') !== sheetFormat) {
    fail(
      places.placeOf((map.get('format', true) ?? map) as Node),
      `this reader knows "format: ${sheetFormat}", not "${textAt(map, 'format') ?? ''}"`,
    );
  }
  return map;
}

const isNothing = (node: unknown): boolean => node === null || (isScalar(node) && node.value === null);

/**
 * `change` laid over `base`.
 *
 * @param mayLack whether what is taken out at a path may be there or not
 * @param within the path of both in the sheet
 */
function merged(
  base: YAMLMap,
  change: YAMLMap,
  places: Places,
  mayLack: (path: readonly string[]) => boolean = () => false,
  within: readonly string[] = [],
): YAMLMap {
  const name = within.at(-1) ?? 'the sheet';
  const result = new YAMLMap();
  result.items = [...base.items];
  places.same(result, base);
  for (const item of change.items) {
    if (!isPair(item)) continue;
    const key = String((item.key as Scalar).value);
    const at = result.items.findIndex((other) => String((other.key as Scalar).value) === key);
    const before = at < 0 ? undefined : (result.items[at]!.value as Node | null);
    if (isNothing(item.value)) {
      if (at >= 0) result.items.splice(at, 1);
      else if (!mayLack([...within, key]))
        fail(places.placeOf(item.key as Node), `"${key}" is taken out of "${name}", which has none`);
    } else if (at < 0) {
      result.items.push(item);
    } else if (isMap(before) && isMap(item.value)) {
      result.items[at] = new Pair(item.key, merged(before, item.value, places, mayLack, [...within, key]));
    } else if (isMap(before) !== isMap(item.value) && !isNothing(before)) {
      const kind = isMap(before) ? 'a list of names' : 'one value';
      fail(places.placeOf(item.key as Node), `"${key}" overrides ${kind} in "${name}" with something of another shape`);
    } else {
      result.items[at] = item;
    }
  }
  return result;
}

/** What each choice of each option changes. */
function everyChange(root: YAMLMap): YAMLMap[] {
  const mapsOf = (node: unknown): YAMLMap[] => (isMap(node) ? node.items.map(({ value }) => value).filter(isMap) : []);
  return mapsOf(root.get('options', true))
    .flatMap((option) => mapsOf(option.get('choices', true)))
    .flatMap((choice): unknown => choice.get('change', true))
    .filter(isMap);
}

/** A choice that was made, or is the first of its option, and what it changes. */
interface MadeChoice {
  readonly option: string;
  readonly choice: string;
  readonly change: YAMLMap;
}

/** The choice of every option that changes something, in the order in which they are merged. */
function madeChoices(root: YAMLMap, choices: Readonly<Record<string, string>>, places: Places): MadeChoice[] {
  const options = root.get('options', true);
  const known = isMap(options) ? options : undefined;
  for (const id of Object.keys(choices)) {
    if (!known?.has(id)) {
      const names = known?.items.map((item) => String((item.key as Scalar).value)).join(', ');
      fail(
        places.placeOf(known),
        `the sheet has no option "${id}"${names === undefined ? '; it has none' : `; it has ${names}`}`,
      );
    }
  }
  return (known?.items ?? []).flatMap((item): MadeChoice[] => {
    const option = String((item.key as Scalar).value);
    const list = isMap(item.value) ? item.value.get('choices', true) : undefined;
    if (!isMap(list)) return [];
    const names = list.items.map((one) => String((one.key as Scalar).value));
    const choice = choices[option] ?? names[0];
    if (choice === undefined) return [];
    if (!names.includes(choice))
      fail(places.placeOf(list), `option "${option}" has no choice "${choice}"; it has ${names.join(', ')}`);
    const made = list.get(choice, true);
    const change = isMap(made) ? made.get('change', true) : undefined;
    return isMap(change) ? [{ option, choice, change }] : [];
  });
}

/**
 * Where something must be written so that it stands with the choices made: under the choice that has its own word on it,
 * which would be merged over it, and otherwise where it belongs.
 *
 * @param path of a value in the sheet
 * @returns the path to write it at
 */
export function pathUnderChoices(text: string, sources: SheetSources): (path: readonly string[]) => readonly string[] {
  const { root, places } = mergeParents(text, sources);
  const made = madeChoices(root, sources.choices ?? {}, places);
  return (path) => {
    const last = made.findLast(({ change }) => speaksOf(change, path));
    return last ? ['options', last.option, 'choices', last.choice, 'change', ...path] : path;
  };
}

/** Does a mapping say something at a path, or take away what it leads through? */
function speaksOf(map: YAMLMap, [key = '', ...rest]: readonly string[]): boolean {
  if (!map.has(key)) return false;
  const value = map.get(key, true);
  return rest.length === 0 || !isMap(value) || speaksOf(value, rest);
}
