import { describe, expect, it } from 'vitest';
import { type LogBody, type LogEntry } from '../log';
import { greyByEyeOf, greyByMeterOf } from '.';

const log = (...bodies: LogBody[]): LogEntry[] =>
  bodies.map((body, index) => ({ id: `line-${index}`, at: '2026-03-01T10:00:00Z', body }));
const read = (bar: 'dark' | 'bright', x: number, y: number): LogBody => ({ kind: 'grey', bar, x, y, luminance: 10 });
const turned = (control: string, turn?: number): LogBody => ({
  kind: 'turned',
  control,
  end: false,
  ...(turn === undefined ? {} : { turn }),
});
const white = [0.3127, 0.329] as const;

describe('the record of a grey scale by meter', () => {
  it('asks for both bars first, the dark one before the other', () => {
    expect(greyByMeterOf([]).read).toBe('dark');
    expect(greyByMeterOf(log(read('dark', ...white))).read).toBe('bright');
  });

  it('is done where both are grey', () => {
    const { read: asked, advice, off, turns } = greyByMeterOf(log(read('dark', ...white), read('bright', ...white)));
    expect(asked).toBeUndefined();
    expect(advice).toMatchObject({ done: true, next: undefined });
    expect(off.dark!.now).toBeCloseTo(0, 6);
    expect(turns).toBe(0);
  });

  it('names a control with where the meter is to come', () => {
    const walk = greyByMeterOf(log(read('dark', 0.34, 0.33), read('bright', ...white)));
    expect(walk.advice!.next!.control).toBe('red cut-off');
    expect(walk.aim!.bar).toBe('dark');
    // Less red: x falls.
    expect(walk.aim!.x).toBeLessThan(0.34);
    expect(walk.off.dark!.now).toBeGreaterThan(2);
  });

  it('asks for both bars again after a turn, and learns from them what it did', () => {
    const before = [read('dark', 0.34, 0.33), read('bright', ...white)];
    expect(greyByMeterOf(log(...before, turned('red cut-off'))).read).toBe('dark');
    const after = greyByMeterOf(
      log(...before, turned('red cut-off'), read('dark', ...white), read('bright', 0.309, 0.3288)),
    );
    expect(after.turns).toBe(1);
    expect(after.off.dark!.first).toBeGreaterThan(after.off.dark!.now);
    expect(after.advice!.learnt.find(({ control }) => control === 'red cut-off')!.couples).toContainEqual(
      expect.objectContaining({ rail: 'bright red' }),
    );
  });
});

describe('the record of a grey scale by eye', () => {
  it('takes looks and counted turns, and nothing else', () => {
    const looks = [
      { kind: 'grey', bar: 'dark', looks: 'reddish' },
      { kind: 'grey', bar: 'bright', looks: 'grey' },
    ] as const;
    const first = greyByEyeOf(log(...looks));
    expect(first.next).toMatchObject({ control: 'red cut-off' });
    // What has nothing to do with the neck board changes nothing.
    expect(greyByEyeOf(log(turned('VR841', 1), ...looks)).next).toEqual(first.next);
    const after = greyByEyeOf(log(...looks, turned('red cut-off', first.next!.turn)));
    expect(after.look).toBe('dark');
    expect(Math.abs(after.thought.dark.tint[0])).toBeLessThan(Math.abs(first.thought.dark.tint[0]));
  });
});
