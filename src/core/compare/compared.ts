import { compareSiblings, type Comparison } from './divergence';
import { compareNetwork, type NetworkComparison } from './networks';
import { comparePins, type PinComparison } from './pins';
import { type NetworkTable, readNetworkTable } from './readNetworkTable';

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

/**
 * What a table comes to.
 *
 * @throws Refusal where it cannot be read
 */
export const compared = (text: string): Compared => comparedTable(readNetworkTable(text));

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

/** A value that leaves its pattern, by its place in the table. */
export interface OddValue {
  readonly row: number;
  readonly cell: number;
}

/** All that is odd, the furthest away first. */
export const oddValues = (found: Compared): readonly OddValue[] =>
  found.kind === 'pins' ? found.pins.odd.map(({ row, side }) => ({ row, cell: side })) : found.comparison.odd;
