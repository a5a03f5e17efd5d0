import { describe, expect, it } from 'vitest';
import { compared, ohmsText, ratioText } from './compareModel';

describe('a table under comparison', () => {
  it('is nothing yet, a message, or what leaves its rows', () => {
    expect(compared('  \n ')).toBeUndefined();
    expect(compared('R1 10 lots 12')).toMatch(/line 1, column 2: "lots" is no value/);
    const found = compared('R1 10 10.1 9.9 21\nR2 - 5 5 5');
    if (typeof found !== 'object') throw new Error('no comparison');
    expect(found.comparison.odd).toMatchObject([{ row: 0, cell: 3, value: 21 }]);
    expect(found.comparison.usual.map((usual) => Number(usual!.toFixed(2)))).toEqual([10.05, 5]);
  });

  it('is written as on parts, with shorts and over-range, and how far off', () => {
    expect([4700, 0, 0.001, Infinity, 330].map(ohmsText)).toEqual(['4k7', '0', '0', 'OL', '330R']);
    expect([2.13, 0.45].map(ratioText)).toEqual(['×2.1', '÷2.2']);
  });
});
