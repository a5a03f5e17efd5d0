import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '@/core/behaviour';
import { railSteps, railsWalk } from '@/core/setup';
import { askedWords, markOfRail, offWords } from './setupModel';

const sheet = shippedSheets().get('halvane-hp-42')!;
const { rows, asks } = railsWalk(railSteps(sheet, predictionsOf(sheet).checks), []);
const [vs] = rows;
const scan = rows.find(({ target }) => target < 0)!;
const at = (row: typeof scan, share: number) => ({ ...row, reads: row.target * share });

describe('a rail on the page', () => {
  it.each([
    [1, 'within'],
    [1.1, 'high'],
    [0.9, 'low'],
  ] as const)('at %f of its target is %s, whatever its sign', (share, mark) => {
    expect(markOfRail(at(vs!, share))).toBe(mark);
    expect(markOfRail(at(scan, share))).toBe(mark);
  });

  it('says by how much it is off, and what is allowed', () => {
    expect(offWords(at(scan, 0.9))).toMatch(/^[\d.]+ V low, ±[\d.]+ V allowed$/);
    expect(offWords(at(vs!, 1))).toMatch(/^within, ±/);
    expect(offWords(vs!)).toContain('V, ±');
    expect(markOfRail(vs!)).toBe('unread');
  });

  it('is asked for aloud in one sentence', () => {
    expect(askedWords(asks)).toBe('Read Vs.');
    expect(askedWords({ do: 'done' })).toBe('All that can be set is set.');
  });
});
