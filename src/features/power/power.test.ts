import { type LogBody, type LogEntry } from '@/core/log';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { decayOf, watchedStore } from './decayModel';
import { readTool } from '@/core/safety';
import { agreedPlan, dueStore, powerEvents, storeRows, usualPlan } from './powerModel';

const sheet = shippedSheets().get('halvane-hp-42')!;
const start = Date.parse('2026-03-01T10:00:00Z');
const logOf = (...bodies: readonly [seconds: number, body: LogBody, supersedes?: string][]): LogEntry[] =>
  bodies.map(([seconds, body, supersedes], index) => ({
    id: `line-${index}`,
    at: new Date(start + seconds * 1000).toISOString(),
    body,
    ...(supersedes === undefined ? {} : { supersedes }),
  }));
const at = (seconds: number) => start / 1000 + seconds;
const off: LogBody = { kind: 'power', power: 'unplugged' };
const proven = (store: string, volts: number): LogBody => ({ kind: 'store', store, volts });
const [first, second] = [...sheet.stores.values()].sort((a, b) => b.farads * b.volts ** 2 - a.farads * a.volts ** 2);

describe('stores after the plug is out', () => {
  it('ask for the fullest first, then for what recovered, then for a second look', () => {
    const due = (log: readonly LogEntry[], now: number) => dueStore(storeRows(log, sheet, at(now)))?.id;
    expect(due(logOf([0, off]), 1)).toBe(first!.id);
    expect(due(logOf([0, off], [5, proven(first!.id, 3)]), 6)).toBe(second!.id);
    expect(due(logOf([0, off], [5, proven(first!.id, 3)], [50, proven(first!.id, 44)]), 51)).toBe(first!.id);
    const all = [...sheet.stores.keys()].map((id): [number, LogBody] => [5, proven(id, 3)]);
    expect(due(logOf([0, off], ...all), 10)).toBeUndefined();
    expect(due(logOf([0, off], ...all), 70)).toBeDefined();
  });

  it('forget what was measured before power came back, and learn what drains them', () => {
    const log = logOf([0, off], [5, proven(first!.id, 3)], [20, { kind: 'power', power: 'live' }], [30, off]);
    expect(storeRows(log, sheet, at(31))[0]).toMatchObject({ readings: [], learnt: false });
    const falling = logOf([0, off], [10, proven(first!.id, 200)], [40, proven(first!.id, 100)]);
    const row = storeRows(falling, sheet, at(41))[0]!;
    expect(row.learnt).toBe(true);
    expect(row.bleed! * first!.farads).toBeCloseTo(30 / Math.LN2, 6);
  });
});

describe('a discharge resistor', () => {
  it.each([
    ['2k2 25W', { ohms: 2200, watts: 25 }],
    ['2.2 kΩ 25 W', { ohms: 2200, watts: 25 }],
    ['470R 50', { ohms: 470, watts: 50 }],
    ['100 ohm 5W', { ohms: 100, watts: 5 }],
  ])('%s is read', (text, tool) => expect(readTool(text)).toEqual(tool));
  it.each(['', '2k2', 'two 25W', '0 25W', '2k2 OL'])('"%s" is none', (text) => expect(readTool(text)).toBeUndefined());
});

describe('first power', () => {
  const plan: LogBody = { kind: 'plan', lampWatts: 150, lampVolts: 230, mains: 230, loadWatts: 45 };
  const step = (id: string, volts: number): LogBody => ({ kind: 'step', step: id, volts });

  it('goes from step to step, stops where a reading says so, and starts anew with a new plan', () => {
    expect(agreedPlan([])).toBeUndefined();
    expect(agreedPlan(logOf([0, plan]))!.next!.id).toBe('lamp-low');
    const going = agreedPlan(logOf([0, plan], [5, step('lamp-low', 129)]))!;
    expect(going.next!.id).toBe('lamp-full');
    const stopped = agreedPlan(logOf([0, plan], [5, step('lamp-low', 129)], [9, step('lamp-full', 4)]))!;
    expect(stopped.next).toBeUndefined();
    expect(stopped.steps[1]!.verdict).toMatchObject({ go: false, like: 'shorted' });
    expect(agreedPlan(logOf([0, plan], [9, step('lamp-low', 4)], [20, plan]))!.next!.id).toBe('lamp-low');
  });

  it('is planned for what a set of the kind usually draws, behind a lamp that lets it run where one does', () => {
    for (const each of shippedSheets().values()) {
      const usual = usualPlan(each);
      expect(usual.mains).toBeGreaterThan(100);
      expect(usual.lamp.watts).toBeGreaterThanOrEqual(25);
    }
  });

  it('and all changes of power stand in the log, newest first, without what was taken back', () => {
    const texts = powerEvents(
      logOf(
        [0, off],
        [1, { kind: 'lamp', fitted: true }],
        [2, step('lamp-low', 12)],
        [3, { kind: 'withdrawn' }, 'line-2'],
      ),
    ).map(({ text }) => text);
    expect(texts).toEqual(['lamp in series', 'plug out']);
  });
});

describe('how a store falls', () => {
  const rowsAt = (log: readonly LogEntry[], now: number) => storeRows(log, sheet, at(now));
  const rowOf = (log: readonly LogEntry[], now: number, id = first!.id) =>
    rowsAt(log, now).find(({ store }) => store.id === id)!;

  it('goes from its working volts by what drains it, past what counts as discharged', () => {
    const drained = { ...rowOf(logOf([0, off]), 5), bleed: 100_000 };
    const { predicted, measured } = decayOf(drained, at(0), at(5));
    expect(measured).toEqual([]);
    expect(predicted[0]).toEqual([0, first!.volts]);
    for (const [time, volts] of predicted)
      expect(volts).toBeCloseTo(first!.volts * Math.exp(-time / (100_000 * first!.farads)), 6);
    expect(predicted.at(-1)![1]).toBeLessThan(30);
  });

  it('goes on from the last reading, with all of them beside it', () => {
    const row = rowOf(logOf([0, off], [10, proven(first!.id, 200)], [40, proven(first!.id, 100)]), 41);
    const { predicted, measured } = decayOf(row, at(0), at(41));
    expect(measured).toEqual([
      [10, 200],
      [40, 100],
    ]);
    expect(predicted[0]).toEqual([40, 100]);
    // Learnt from those two: another thirty seconds halve it again.
    const [time, volts] = predicted[30]!;
    expect(volts).toBeCloseTo(100 * 2 ** (-(time - 40) / 30), 3);
  });

  it('stays where nothing is known to drain it', () => {
    const { predicted } = decayOf({ ...rowOf(logOf([0, off]), 5), bleed: undefined }, at(0), at(5));
    expect(new Set(predicted.map(([, volts]) => volts))).toEqual(new Set([first!.volts]));
  });

  it('is watched of what still holds most', () => {
    expect(watchedStore(rowsAt(logOf([0, off]), 5))!.store.id).toBe(first!.id);
    const low = logOf([0, off], [5, proven(first!.id, 3)], [6, proven(second!.id, 90)]);
    expect(watchedStore(rowsAt(low, 7))!.store.id).toBe(second!.id);
  });
});
