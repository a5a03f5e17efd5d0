import { describe, expect, it } from 'vitest';
import { compared, nextPin, ohmsText, ratioText, swept } from './compareModel';

describe('a table under comparison', () => {
  it('is nothing yet, a message, or what leaves its rows', () => {
    expect(compared('  \n ')).toBeUndefined();
    expect(compared('R1 10 lots 12')).toMatch(/line 1, column 2: "lots" is no value/);
    const found = compared('R1 10 10.1 9.9 21\nR2 - 5 5 5');
    if (typeof found !== 'object' || found.kind !== 'network') throw new Error('no comparison');
    expect(found.comparison.odd).toMatchObject([{ row: 0, cell: 3, value: 21 }]);
    expect(found.comparison.usual.map((usual) => Number(usual!.toFixed(2)))).toEqual([10.05, 5]);
  });

  it('of two columns is two sides, filled pin by pin', () => {
    let text = '';
    for (const value of ['4k7', '-', '10k']) text = swept(text, 0, value);
    expect(nextPin(text, 0)).toBe('pin 4');
    expect(nextPin(text, 1)).toBe('pin 1');
    for (const value of ['4k7', '22k', '0']) text = swept(text, 1, value);
    expect(text).toBe('\tgood\tsuspect\npin 1\t4k7\t4k7\npin 2\t.\t22k\npin 3\t10k\t0');
    const found = compared(text);
    if (typeof found !== 'object' || found.kind !== 'pins') throw new Error('no pins');
    expect(found.pins.odd).toMatchObject([{ row: 2, kind: 'shorted', side: 1 }]);
  });

  it('is written as on parts, with shorts and over-range, and how far off', () => {
    expect([4700, 0, 0.001, Infinity, 330].map(ohmsText)).toEqual(['4k7', '0', '0', 'OL', '330R']);
    expect([2.13, 0.45].map(ratioText)).toEqual(['×2.1', '÷2.2']);
  });
});
