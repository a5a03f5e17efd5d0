import { isMap, isPair, isScalar, isSeq, LineCounter, type Node, Pair, Scalar, YAMLMap, YAMLSeq } from 'yaml';

/** A sheet's text as a tree of nodes, and where its lines begin. */
export interface ParsedText {
  readonly contents: Node | null;
  readonly lines: LineCounter;
}

/** Parsed texts kept for the next time, by whoever can keep them: reading YAML anew takes ten times as long. */
export interface KeptTrees {
  /** What was kept for a text; undefined where nothing was. */
  get(text: string): PackedText | undefined;
  set(text: string, packed: PackedText): void;
}

/** A parsed text in what JSON can hold. */
export interface PackedText {
  /** Offsets at which lines begin. */
  readonly lines: readonly number[];
  readonly tree: PackedNode;
}

/** Start and end in the text, and what stands there; a scalar that was not written as its value reads has its source. */
type PackedNode = readonly [start: number, end: number, what: PackedMap | PackedSeq | Plain, source?: string];
type Plain = string | number | boolean | null;
type Place = readonly [start: number, end: number];

interface PackedMap {
  /** Keys and values in turns; a key with nothing behind it has null. */
  readonly pairs: readonly (PackedNode | null)[];
}

interface PackedSeq {
  readonly items: readonly PackedNode[];
}

/** @returns undefined where the text has something that a sheet does not need: anchors, tags, dates */
export function packed({ contents, lines }: ParsedText): PackedText | undefined {
  const tree = contents ? packedNode(contents) : undefined;
  return tree && { lines: lines.lineStarts, tree };
}

function packedNode(node: unknown): PackedNode | undefined {
  const place = placeOf(node);
  if (!place) return undefined;
  if (isScalar(node)) {
    const { value, source } = node;
    if (!isPlain(value)) return undefined;
    return source === undefined || source === String(value) ? [...place, value] : [...place, value, source];
  }
  if (isMap(node)) {
    const pairs = node.items.flatMap((item) => [packedNode(item.key), item.value && packedNode(item.value)]);
    return isWhole(pairs) ? [...place, { pairs: pairs as (PackedNode | null)[] }] : undefined;
  }
  if (isSeq(node)) {
    const items = node.items.map((item) => (isPair(item) ? undefined : packedNode(item)));
    return isWhole(items) ? [...place, { items: items as PackedNode[] }] : undefined;
  }
  return undefined;
}

function placeOf(node: unknown): Place | undefined {
  const { range, anchor, tag } = (node ?? {}) as Partial<Scalar>;
  return range && anchor === undefined && tag === undefined ? [range[0], range[1]] : undefined;
}

const isWhole = (list: readonly unknown[]): boolean => list.every((one) => one !== undefined);

const isPlain = (value: unknown): value is Plain =>
  value === null ||
  typeof value === 'string' ||
  typeof value === 'boolean' ||
  (typeof value === 'number' && Number.isFinite(value));

export function unpacked({ lines: starts, tree }: PackedText): ParsedText {
  const lines = new LineCounter();
  for (const start of starts) lines.addNewLine(start);
  return { contents: unpackedNode(tree), lines };
}

function unpackedNode([start, end, what, source]: PackedNode): Node {
  const node = unpackedWhat(what);
  if (source !== undefined && isScalar(node)) node.source = source;
  node.range = [start, end, end];
  return node;
}

function unpackedWhat(what: PackedNode[2]): YAMLMap | YAMLSeq | Scalar {
  if (what === null || typeof what !== 'object') return new Scalar(what);
  if ('items' in what) {
    const list = new YAMLSeq();
    list.items = what.items.map(unpackedNode);
    return list;
  }
  const map = new YAMLMap();
  for (let at = 0; at < what.pairs.length; at += 2) {
    const value = what.pairs[at + 1];
    map.items.push(new Pair(unpackedNode(what.pairs[at]!), value && unpackedNode(value)));
  }
  return map;
}
