import { describe, expect, it } from 'vitest';
import { type Random, seeded } from '../statistics';
import { compareNetwork, type Network, readNetworkTable } from '.';

/** A network of some rows and cells with tolerance and gaps, and one value off, or none. */
function network(random: Random, faulty: boolean): { network: Network; row: number; cell: number } {
  const rows = 1 + Math.floor(random() * 6);
  const cells = 6 + Math.floor(random() * 19);
  const tolerance = [0.01, 0.05, 0.1][Math.floor(random() * 3)]!;
  const values = Array.from({ length: rows }, () => {
    const usual = 10 ** (1 + 5 * random());
    return Array.from({ length: cells }, () =>
      random() < 0.1 ? undefined : usual * (1 + tolerance * (2 * random() - 1)),
    );
  });
  const row = Math.floor(random() * rows);
  const known = values[row]!.flatMap((value, cell) => (value === undefined ? [] : [cell]));
  const cell = known[Math.floor(random() * known.length)]!;
  if (faulty) {
    const value = values[row]![cell]!;
    values[row]![cell] = [0.02, Infinity, value * 2, value * 0.45, value * 10][Math.floor(random() * 5)]!;
  }
  return { network: { rows: values.map(String), cells: values[0]!.map(String), values }, row, cell };
}

const draws = 1000;

describe('a repeated network', () => {
  it('names the odd cell in at least 99 of 100', () => {
    let named = 0;
    for (let draw = 0; draw < draws; draw += 1) {
      const { network: one, row, cell } = network(seeded(draw), true);
      const [first] = compareNetwork(one).odd;
      if (first?.row === row && first.cell === cell) named += 1;
    }
    expect(named / draws).toBeGreaterThanOrEqual(0.99);
  });

  it('raises no alarm on a healthy one in at least 99 of 100', () => {
    let quiet = 0;
    for (let draw = 0; draw < draws; draw += 1)
      if (compareNetwork(network(seeded(50_000 + draw), false).network).odd.length === 0) quiet += 1;
    expect(quiet / draws).toBeGreaterThanOrEqual(0.99);
  });

  it('says nothing of a row with too few values', () => {
    expect(compareNetwork({ rows: ['a'], cells: ['1', '2'], values: [[100, 0.1]] }).odd).toEqual([]);
  });
});

describe('a pasted table', () => {
  it('is read with names of rows and cells, gaps and shorts', () => {
    expect(readNetworkTable('\tA\tB\tC\nR1\t4k7\t-\t4.6k\nR2\tOL\t\t0')).toMatchObject({
      rows: ['R1', 'R2'],
      cells: ['A', 'B', 'C'],
      values: [
        [4700, undefined, 4600],
        [Infinity, undefined, 0],
      ],
    });
  });

  it('is read without names, apart by spaces or semicolons', () => {
    for (const head of ['pin', '#', ''])
      expect(readNetworkTable(`${head}\tIC701\tIC702\n1\t0.51\t0.52\n2\t0.52\t0.02`)).toMatchObject({
        rows: [`${head} 1`.trim(), `${head} 2`.trim()],
        cells: ['IC701', 'IC702'],
        values: [
          [0.51, 0.52],
          [0.52, 0.02],
        ],
      });
    expect(readNetworkTable('10 11 12\n20 - 22')).toMatchObject({
      rows: ['row 1', 'row 2'],
      cells: ['1', '2', '3'],
      values: [
        [10, 11, 12],
        [20, undefined, 22],
      ],
    });
    expect(readNetworkTable('R1;1k;1k1;').values).toEqual([[1000, 1100, undefined]]);
  });

  it('is read apart by commas, unless those are of decimals', () => {
    expect(readNetworkTable(',"buf 1","buf 2","buf 3"\nR1,4k7,,4k6\nR2,10k,10k1,OL')).toMatchObject({
      rows: ['R1', 'R2'],
      cells: ['buf 1', 'buf 2', 'buf 3'],
      unit: 'Ω',
      values: [
        [4700, undefined, 4600],
        [10_000, 10_100, Infinity],
      ],
    });
    expect(readNetworkTable('4,7 5,2 4,8\n9,1 9,2 9,3').values).toEqual([
      [4.7, 5.2, 4.8],
      [9.1, 9.2, 9.3],
    ]);
  });

  it('has the unit that is written, and what stands between its rows in brackets', () => {
    const table = readNetworkTable('cathode (R1 R2 R3) 121 122V 120\nbase 2.6 2.5 2.6');
    expect(table).toMatchObject({ unit: 'V', rows: ['cathode', 'base'], between: [['R1', 'R2', 'R3'], []] });
    expect(readNetworkTable('121 122 120').unit).toBe('');
  });

  it.each([
    ['', /paste a table/],
    ['R1 10 11\nR2 10 lots', /line 2, column 2: "lots" is no value/],
    [Array.from({ length: 300 }, () => '1 2').join('\n'), /300 rows; there may be 200/],
  ])('that cannot be read says where', (text, message) => {
    expect(() => readNetworkTable(text)).toThrow(message);
  });
});
