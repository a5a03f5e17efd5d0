import { Refusal, formatCode, formatQuantity, type Unit, attempt } from '@/core/quantity';
import {
  compareNetwork,
  compareSiblings,
  type Comparison,
  comparePins,
  type NetworkComparison,
  type NetworkTable,
  type OddPin,
  type PinComparison,
  readNetworkTable,
} from '@/core/compare';
import { type MarkName } from '@/ui';

/**
 * A table with what leaves its pattern: two columns are two sides of the same pins, three are channels from the
 * picture back, more are repetitions.
 */
export type Compared =
  | {
      readonly kind: 'network';
      readonly network: NetworkTable;
      readonly comparison: NetworkComparison;
      readonly channels?: Comparison;
    }
  | { readonly kind: 'pins'; readonly network: NetworkTable; readonly pins: PinComparison };

/** What a pasted table comes to: nothing yet, a refusal, or the comparison. */
export function compared(text: string): Compared | Refusal | undefined {
  return text.trim() === '' ? undefined : attempt(() => comparedTable(readNetworkTable(text)));
}

function comparedTable(network: NetworkTable): Compared {
  if (network.cells.length === 2) return { kind: 'pins', network, pins: comparePins(network) };
  if (network.cells.length === 1) return againstItself(network);
  const found = { kind: 'network', network, comparison: compareNetwork(network) } as const;
  return network.cells.length === 3 ? { ...found, channels: compareChannels(network) } : found;
}

/** One column: each place against all the others, as if they were repetitions of one. */
function againstItself(network: NetworkTable): Compared {
  const { odd, usual } = compareNetwork({
    rows: [''],
    cells: network.rows,
    values: [network.values.map(([value]) => value)],
  });
  return {
    kind: 'network',
    network,
    comparison: {
      usual: network.rows.map(() => usual[0]),
      odd: odd.map(({ cell, ...one }) => ({ ...one, row: cell, cell: 0 })),
    },
  };
}

/** Three columns as channels: which one leaves the others, and what stands where it does. */
function compareChannels({ rows, cells, values, between }: NetworkTable): Comparison {
  const point = (row: number, cell: number) => `${row} ${cell}`;
  const siblings = {
    id: 'channels',
    title: 'Channels',
    columns: cells,
    rows: rows.map((title, row) => ({
      title,
      points: cells.map((_, cell) => point(row, cell)),
      parts: cells.map((_, cell) => {
        const named = between[row]!;
        const own = named.length === cells.length ? named[cell] : named.join(' ');
        return own ? [own] : [];
      }),
    })),
  };
  const read = new Map(values.flatMap((row, at) => row.map((value, cell) => [point(at, cell), value] as const)));
  return compareSiblings(siblings, (at) => read.get(at));
}

/** Where a channel leaves the others: the last row in which it is odd, and the next that agrees. */
export function leavesAt({
  rows,
  oddColumn,
}: Comparison): { readonly odd: string; readonly agrees?: string } | undefined {
  const last = rows.findLastIndex(({ odd }) => odd !== undefined && odd === oddColumn);
  if (last < 0) return undefined;
  const agrees = rows.slice(last + 1).find(({ odd, values }) => odd === undefined && !values.includes(undefined));
  return { odd: rows[last]!.title, ...(agrees ? { agrees: agrees.title } : {}) };
}

/** The sides of a table that is swept pin by pin. */
export type Side = 0 | 1;
const gap = '-';
/** A pin that was passed over: a gap as well, but not one to be filled. */
const passed = '.';
const sweepHeading = '\tgood\tsuspect';

/** Is the table one that is swept, or none yet? */
export const isSwept = (text: string): boolean =>
  text.trim() === '' ||
  text
    .trimEnd()
    .split('\n')
    .every((line) => line.split('\t').length === 3);

/** The table with one more value on a side, at the first pin that has none there. */
export function swept(text: string, side: Side, typed: string): string {
  const value = typed === gap ? passed : typed;
  const lines = text.trim() === '' ? [sweepHeading] : text.trimEnd().split('\n');
  const rows = lines.slice(1).map((line) => line.split('\t'));
  const free = rows.find((row) => (row[side + 1] ?? gap) === gap);
  if (free) free[side + 1] = value;
  else rows.push([`pin ${rows.length + 1}`, side === 0 ? value : gap, side === 1 ? value : gap]);
  return [lines[0], ...rows.map((row) => [row[0], row[1] ?? gap, row[2] ?? gap].join('\t'))].join('\n');
}

/** The table with the value that was filled in last on a side put right. */
export function sweptAnew(text: string, side: Side, typed: string): string {
  const lines = text.trimEnd().split('\n');
  const last = lines.findLastIndex((line, index) => index > 0 && (line.split('\t')[side + 1] ?? gap) !== gap);
  if (last < 0) return swept(text, side, typed);
  const row = lines[last]!.split('\t');
  row[side + 1] = typed;
  return lines.with(last, row.join('\t')).join('\n');
}

export const markOfOdd: Readonly<Record<OddPin['kind'], MarkName>> = {
  shorted: 'dead',
  open: 'open',
  low: 'low',
  high: 'high',
};

/** How a pin that was filled in stands, or the last one; within while the other side is not known. */
export function markOfPin(text: string, pin?: string): MarkName {
  const found = compared(text);
  if (!found || found instanceof Refusal || found.kind !== 'pins') return 'within';
  const row = pin === undefined ? found.network.rows.length - 1 : found.network.rows.indexOf(pin);
  const odd = found.pins.odd.find((one) => one.row === row);
  return odd ? markOfOdd[odd.kind] : 'within';
}

/** The pin the next value of a side belongs to. */
export function nextPin(text: string, side: Side): string {
  const rows = text.trim() === '' ? [] : text.trimEnd().split('\n').slice(1);
  const at = rows.findIndex((line) => (line.split('\t')[side + 1] ?? gap) === gap);
  return at < 0 ? `pin ${rows.length + 1}` : rows[at]!.split('\t')[0]!;
}

/** How a value stands to the usual one: `×2.1`, `÷2.2`. */
export const ratioText = (ratio: number): string =>
  ratio >= 1 ? `×${Number(ratio.toPrecision(2))}` : `÷${Number((1 / ratio).toPrecision(2))}`;

/** Below this it is a short, in ohms. */
const nothing = 0.005;

/** A value of a table: ohms as they are written on parts, `4k7`; others with their unit. */
export function cellText(value: number, unit: Unit): string {
  if (value === Infinity) return 'OL';
  if (unit !== 'Ω') return formatQuantity(value, unit, 3);
  return Math.abs(value) < nothing ? '0' : formatCode(value, 'Ω');
}
