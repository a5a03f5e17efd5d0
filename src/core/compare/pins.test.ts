import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../statistics';
import { comparePins, type Network } from '.';

const network = (...pairs: readonly (readonly [number | undefined, number | undefined])[]): Network => ({
  rows: pairs.map((_, index) => `pin ${index + 1}`),
  cells: ['good', 'suspect'],
  values: pairs,
});

describe('two sides pin by pin', () => {
  it('names what is shorted, open, low and high, and passes over gaps', () => {
    const same = Array.from({ length: 12 }, (_, index) => [1000 + 300 * index, 1010 + 303 * index] as const);
    const { odd, shortedOnBoth } = comparePins(
      network(
        ...same,
        [4700, 0],
        [4700, Infinity],
        [0.01, 0.02],
        [4700, 1200],
        [2200, 9000],
        [undefined, 5],
        [0, 3300],
      ),
    );
    expect(odd.map(({ row, kind, side }) => [row, kind, side])).toEqual([
      [12, 'shorted', 1],
      [13, 'open', 1],
      [18, 'shorted', 0],
      [16, 'high', 1],
      [15, 'low', 1],
    ]);
    expect(shortedOnBoth).toEqual([14]);
  });

  it('does not mind a meter that reads all of one side a fifth higher', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 0, max: 19 }), (seed, bad) => {
        const random = seeded(seed);
        const pairs = Array.from({ length: 20 }, (_, row): [number, number] => {
          const ohms = 10 ** (2 + 3 * random());
          return [ohms, ohms * 1.2 * Math.exp(0.01 * gaussian(random)) * (row === bad ? 3 : 1)];
        });
        const { odd, usualRatio } = comparePins(network(...pairs));
        expect(odd.map(({ row }) => row)).toEqual([bad]);
        expect(usualRatio).toBeCloseTo(1.2, 1);
      }),
    );
  });

  it('calls tens of ohms beside megohms a short on that side, whatever all the others do', () => {
    const many = Array.from({ length: 6 }, () => [2.2e6, 38] as const);
    const { odd } = comparePins(network(...many, [2.1e6, 2.3e6], [2.2e6, 2.2e6]));
    expect(odd.map(({ row, kind, side }) => [row, kind, side])).toEqual(
      [0, 1, 2, 3, 4, 5].map((row) => [row, 'shorted', 1]),
    );
  });

  it('takes nothing at all for the good state of a driver pin, where most pins have it', () => {
    const good = Array.from({ length: 8 }, () => [Infinity, Infinity] as const);
    const { odd } = comparePins(network(...good, [Infinity, 4700], [Infinity, 22]));
    expect(odd.map(({ row, kind, side }) => [row, kind, side])).toEqual([
      [8, 'low', 1],
      [9, 'shorted', 1],
    ]);
  });

  it('finds the bad half of a table by the half that agrees', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const random = seeded(seed);
        const pairs = Array.from({ length: 20 }, (_, row): [number, number] => {
          const ohms = 10 ** (3 + 2 * random());
          return [ohms, ohms * Math.exp(0.01 * gaussian(random)) * (row < 10 ? 2 + 4 * random() : 1)];
        });
        expect(
          comparePins(network(...pairs))
            .odd.map(({ row }) => row)
            .sort((a, b) => a - b),
        ).toEqual(Array.from({ length: 10 }, (_, row) => row));
      }),
    );
  });

  it('takes two columns only', () => {
    expect(() => comparePins({ rows: ['a'], cells: ['1', '2', '3'], values: [[1, 2, 3]] })).toThrow(/two sides/);
  });
});
