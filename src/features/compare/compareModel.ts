import { compareNetwork, type Network, type NetworkComparison, readNetworkTable, TableError } from '@/core/compare';
import { formatCode } from '@/core/quantity';

/** A table with what leaves its pattern. */
export interface Compared {
  readonly network: Network;
  readonly comparison: NetworkComparison;
}

/** What a pasted table comes to: nothing yet, a message of what is wrong, or the comparison. */
export function compared(text: string): Compared | string | undefined {
  if (text.trim() === '') return undefined;
  try {
    const network = readNetworkTable(text);
    return { network, comparison: compareNetwork(network) };
  } catch (error) {
    if (error instanceof TableError) return error.message;
    throw error;
  }
}

/** How a value stands to the usual one: `×2.1`, `÷2.2`. */
export const ratioText = (ratio: number): string =>
  ratio >= 1 ? `×${Number(ratio.toPrecision(2))}` : `÷${Number((1 / ratio).toPrecision(2))}`;

/** Below this it is a short, in ohms. */
const nothing = 0.005;

/** Ohms as they are written on parts: `4k7`. */
export const ohmsText = (value: number): string =>
  value === Infinity ? 'OL' : Math.abs(value) < nothing ? '0' : formatCode(value, 'Ω');
