import { describe, expect, it } from 'vitest';
import { type LogEntry } from '../log';
import { failureRateOf, readFailures, soakRun, soakWorth } from '.';

describe('what a soak comes to', () => {
  const run = (clean: number, before?: { failures: number; hours: number }) =>
    soakWorth({ running: true, seconds: clean, clean, seen: [], failed: false, before });

  it('is nothing where nobody said how often it failed', () => expect(run(3600)).toBeUndefined());

  it('rises while it runs clean, until it is believed', () => {
    const before = { failures: 3, hours: 10 };
    const begun = run(0, before)!;
    expect(begun.cured).toBeCloseTo(0.8, 9);
    expect(run(3600, before)!.cured).toBeGreaterThan(begun.cured);
    const believed = run(begun.left, before)!;
    expect(believed.cured).toBeCloseTo(0.95, 9);
    expect(believed.left).toBeCloseTo(0, 6);
  });
});

describe('a soak', () => {
  const at = (minute: number) => `2026-03-01T10:${String(minute).padStart(2, '0')}:00Z`;
  const log = (
    ...events: readonly [minute: number, event: 'begun' | 'seen' | 'failed' | 'ended', text?: string][]
  ): LogEntry[] =>
    events.map(([minute, event, text = ''], index) => ({
      id: `line-${index}`,
      at: at(minute),
      body: { kind: 'soak', event, text },
    }));

  it('runs until it is ended, and keeps what was seen', () => {
    expect(soakRun([], 0)).toBeUndefined();
    const going = log([0, 'begun'], [5, 'seen', 'colour gone']);
    expect(soakRun(going, Date.parse(at(20)))).toMatchObject({ running: true, seconds: 1200 });
    const over = soakRun([...going, ...log([9, 'ended'])], Date.parse(at(59)))!;
    expect(over).toMatchObject({ running: false, seconds: 540 });
    expect(over.seen.map(({ body }) => body.text)).toEqual(['colour gone']);
  });

  it('ends where the set fails, and says how often that makes for the next', () => {
    const over = soakRun(log([0, 'begun', '3 in 10 h'], [45, 'failed', 'Nothing at all']), Date.parse(at(59)))!;
    expect(over).toMatchObject({ running: false, failed: true, seconds: 2700 });
    expect(over.seen.map(({ body }) => body.text)).toEqual(['Nothing at all']);
    expect(failureRateOf(over)).toBe('1 in 0.8 h');
    expect(readFailures(failureRateOf(over))).toEqual({ failures: 1, hours: 0.8 });
    expect(soakRun(log([0, 'begun'], [9, 'ended']), Date.parse(at(59)))!.failed).toBe(false);
  });

  it('begun anew leaves the last one behind', () => {
    const run = soakRun(log([0, 'begun'], [1, 'seen', 'old'], [2, 'ended'], [30, 'begun']), Date.parse(at(31)))!;
    expect(run).toMatchObject({ running: true, seconds: 60, seen: [] });
  });
});
