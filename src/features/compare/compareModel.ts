import {
  compareNetwork,
  comparePins,
  type Network,
  type NetworkComparison,
  type PinComparison,
  readNetworkTable,
  TableError,
} from '@/core/compare';
import { formatCode } from '@/core/quantity';

/** A table with what leaves its pattern: two columns are two sides of the same pins, more are repetitions. */
export type Compared =
  | { readonly kind: 'network'; readonly network: Network; readonly comparison: NetworkComparison }
  | { readonly kind: 'pins'; readonly network: Network; readonly pins: PinComparison };

/** What a pasted table comes to: nothing yet, a message of what is wrong, or the comparison. */
export function compared(text: string): Compared | string | undefined {
  if (text.trim() === '') return undefined;
  try {
    const network = readNetworkTable(text);
    return network.cells.length === 2
      ? { kind: 'pins', network, pins: comparePins(network) }
      : { kind: 'network', network, comparison: compareNetwork(network) };
  } catch (error) {
    if (error instanceof TableError) return error.message;
    throw error;
  }
}

/** The sides of a table that is swept pin by pin. */
export type Side = 0 | 1;
const gap = '-';
/** A pin that was passed over: a gap as well, but not one to be filled. */
const passed = '.';
const sweepHeading = '\tgood\tsuspect';

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

/** Ohms as they are written on parts: `4k7`. */
export const ohmsText = (value: number): string =>
  value === Infinity ? 'OL' : Math.abs(value) < nothing ? '0' : formatCode(value, 'Ω');
