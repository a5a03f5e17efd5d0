import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '@/core/behaviour';
import { approachOf, railSteps, railsWalk } from '@/core/setup';
import { approachWords, askedWords, markOfRail, offWords, turnSaid, withTurn } from './setupModel';

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

describe('a rail while its control is turned', () => {
  const turn = (target: number, now: number, limit?: number) => ({
    do: 'turn' as const,
    row: { ...vs!, target, within: 2, limit },
    move: { control: 'VR1', rail: 'vs', now, aim: target, turn: undefined, limited: false },
  });

  it.each([
    [180, 170, 175, '5 V more'],
    [180, 190, 183, '3 V less'],
    [-170, -150, -160, '10 V more'],
    [-170, -150, -170.5, 'There: let go'],
  ])('to %d V from %d V, at %d V: %s', (target, now, reads, words) => {
    expect(approachWords(approachOf(turn(target, now), reads))).toBe(words);
  });

  it('stands in the middle of the scale when it is there, and nears it from its own side', () => {
    const at = (volts: number) => approachOf(turn(180, 170), volts).at;
    expect(at(180)).toBeCloseTo(0.5, 9);
    expect(at(170)).toBeLessThan(at(175));
    expect(at(175)).toBeLessThan(0.5);
    expect(at(20)).toBe(0);
  });

  it('is past a limit of either sign, which the scale shows where it is near', () => {
    const asks = turn(180, 178, 182);
    expect(approachOf(asks, 181.9)).toMatchObject({ past: false });
    expect(approachOf(asks, 182.1)).toMatchObject({ past: true, there: false });
    expect(approachWords(approachOf(asks, 182.1))).toBe('Past its limit: 2.1 V less');
    expect(approachOf(asks, 180).limit).toBeGreaterThan(0.5);
    expect(approachOf(turn(180, 178, 260), 180).limit).toBeUndefined();
    expect(approachOf(turn(-170, -168, 172), -173).past).toBe(true);
  });

  it('is turned the way that the sheet says, or as far as turns have shown', () => {
    const asks = turn(180, 170);
    const known = { ...asks.row, clockwiseRaises: true };
    expect(turnSaid({ ...asks, row: { ...known, clockwiseRaises: undefined } })).toBeUndefined();
    expect(turnSaid({ ...asks, row: known })).toBe('clockwise');
    expect(turnSaid({ ...asks, row: { ...known, clockwiseRaises: false } })).toBe('counter-clockwise');
    expect(turnSaid({ ...asks, move: { ...asks.move, turn: -0.17 } })).toBe(
      'about a sixth of a turn counter-clockwise',
    );
  });

  it('is typed with the turn that was counted behind it, or without', () => {
    expect(withTurn('184.9 1/8')).toEqual({ text: '184.9', turn: 0.125 });
    expect(withTurn('vs 184.9 V -0.5')).toEqual({ text: 'vs 184.9 V', turn: -0.5 });
    expect(withTurn('vs 184.9')).toEqual({ text: 'vs 184.9', turn: undefined });
    expect(() => withTurn('184.9 1/0')).toThrow(/is no turn: write 1\/8/);
  });
});
