import { describe, expect, it } from 'vitest';
import { fromMark, readSearch, writePart } from '.';

describe('a search as one types it', () => {
  it.each([
    ['680u', { names: ['farads'], least: 680e-6 * 0.97, most: 680e-6 * 1.03 }],
    ['4k7', { names: ['ohms'], least: 4700 * 0.97, most: 4700 * 1.03 }],
    ['8n2', { names: ['farads'], least: 8.2e-9 * 0.97, most: 8.2e-9 * 1.03 }],
    ['0R47', { names: ['ohms'], least: 0.47 * 0.97, most: 0.47 * 1.03 }],
    ['50V', { names: ['volts', 'ac', 'heater'], least: 48.5, most: Infinity }],
    ['2W', { names: ['watts'], least: 1.94, most: Infinity }],
  ])('%s is a figure', (typed, figure) => {
    const { figures, words } = readSearch(typed);
    expect(words).toEqual([]);
    expect(figures[0]!.names).toEqual(figure.names);
    expect(figures[0]!.least / figure.least).toBeCloseTo(1, 9);
    if (Number.isFinite(figure.most)) expect(figures[0]!.most / figure.most).toBeCloseTo(1, 9);
    else expect(figures[0]!.most).toBe(Infinity);
  });

  it.each(['damper', 'VX2040', 'B3', '105', '12.5x25/5', 'OL', '-4'])('%s is a word', (typed) =>
    expect(readSearch(typed)).toEqual({ figures: [], words: [typed] }),
  );
});

describe('what is to be bought for a part of a sheet', () => {
  it.each([
    ['electrolytic', '47u 100V', 'C 47µF 100V electrolytic'],
    ['film', '8n2 1600V', 'C 8.2nF 1600V film'],
    ['resistor', '12k', 'R 12kΩ'],
    ['fusible', '0R47', 'R 0.47Ω fusible'],
    ['fuse', '5A', 'F 5A'],
    ['thermistor', '18R', 'RT 18Ω'],
    ['zener', '12V', 'D 12V zener'],
  ] as const)('%s %s', (kind, mark, typed) => {
    const part = fromMark(kind, mark)!;
    expect(writePart(part).split(' ').sort()).toEqual(typed.split(' ').sort());
  });

  it.each([
    ['electrolytic', ''],
    ['ic', 'VX2040'],
    ['resistor', 'see label'],
  ] as const)('%s %j says nothing that could be bought', (kind, mark) => expect(fromMark(kind, mark)).toBeUndefined());
});
