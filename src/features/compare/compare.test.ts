import { describe, expect, it } from 'vitest';
import { cellText } from '@/core/compare';
import { Refusal } from '@/core/quantity';
import {
  comparedText as compared,
  isSwept,
  leavesAt,
  markOfPin,
  nextPin,
  ratioText,
  swept,
  sweptAnew,
} from './compareModel';

describe('a table under comparison', () => {
  it('is nothing yet, a message, or what leaves its rows', () => {
    expect(compared('  \n ')).toBeUndefined();
    expect(compared('R1 10 lots 12')).toMatchObject({
      message: expect.stringMatching(/line 1, column 2: "lots" is no value/) as string,
    });
    const found = compared('R1 10 10.1 9.9 21\nR2 - 5 5 5');
    if (!found || found instanceof Refusal || found.kind !== 'network') throw new Error('no comparison');
    expect(found.comparison.odd).toMatchObject([{ row: 0, cell: 3, value: 21 }]);
    expect(found.comparison.usual.map((usual) => Number(usual!.toFixed(2)))).toEqual([10.05, 5]);
  });

  it('of two columns is two sides, filled pin by pin', () => {
    let text = '';
    for (const value of ['4k7', '-', '10k']) text = swept(text, 0, value);
    expect(isSwept(text)).toBe(true);
    expect(['', 'R1 4k7 4k6', '\tA\tB\tC\nR1\t1\t2\t3'].map(isSwept)).toEqual([true, false, false]);
    expect(nextPin(text, 0)).toBe('pin 4');
    expect(nextPin(text, 1)).toBe('pin 1');
    for (const value of ['4k7', '22k', '0']) text = swept(text, 1, value);
    expect(text).toBe('\tgood\tsuspect\npin 1\t4k7\t4k7\npin 2\t.\t22k\npin 3\t10k\t0');
    const found = compared(text);
    if (!found || found instanceof Refusal || found.kind !== 'pins') throw new Error('no pins');
    expect(found.pins.odd).toMatchObject([{ row: 2, kind: 'shorted', side: 1 }]);
    // A meter that crept on puts the last pin right.
    expect([markOfPin(text, 'pin 3'), markOfPin(text, 'pin 1')]).toEqual(['dead', 'within']);
    const anew = sweptAnew(text, 1, '10k1');
    expect(anew.split('\n')[3]).toBe('pin 3\t10k\t10k1');
    expect(markOfPin(anew)).toBe('within');
  });

  it('of three columns is channels: where one leaves the others, and what stands there', () => {
    const channels = (text: string) => {
      const found = compared(text);
      if (!found || found instanceof Refusal || found.kind !== 'network' || !found.channels)
        throw new Error('no channels');
      return { ...found.channels, unit: found.network.unit, where: leavesAt(found.channels) };
    };
    const found = channels(
      '\tred\tgreen\tblue\ncathode (R105 R205 R305)\t121 V\t122\t178\ncollector (Q101 Q201 Q301)\t120\t121\t177\nbase\t2.6\t2.61\t2.58',
    );
    expect(found).toMatchObject({ oddColumn: 2, unit: 'V', where: { odd: 'collector', agrees: 'base' } });
    expect(found.between).toEqual(['Q301']);
    // By blanks, with the names in brackets, and nothing measured further back yet.
    const more = channels('cathode (R105 R205 R305) 121 65 123\ncollector 120 64 122');
    expect(more).toMatchObject({ oddColumn: 1, unit: '', where: { odd: 'collector' } });
    expect(more.where).not.toHaveProperty('agrees');
    expect(channels('cathode 121 122 123').where).toBeUndefined();
  });

  it('is written as on parts, with shorts and over-range, and how far off', () => {
    expect([4700, 0, 0.001, Infinity, 330].map((value) => cellText(value, 'Ω'))).toEqual([
      '4k7',
      '0',
      '0',
      'OL',
      '330R',
    ]);
    expect([cellText(121.4, 'V'), cellText(121.4, ''), cellText(Infinity, 'V')]).toEqual(['121 V', '121', 'OL']);
    expect([2.13, 0.45].map(ratioText)).toEqual(['×2.1', '÷2.2']);
  });
});
