import { describe, expect, it } from 'vitest';
import { type LogEntry } from '../log';
import { readFailures } from '../soak';
import { failureRateOf, soakRun, soakWorth, stressPlan } from '.';

describe('what a soak comes to', () => {
  const run = (clean: number, before?: { failures: number; hours: number }) => soakWorth({ clean, before });

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
    ...events: readonly [minute: number, event: 'begun' | 'stressed' | 'seen' | 'failed' | 'ended', text?: string][]
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

describe('what a set is put through', () => {
  const line = (body: LogEntry['body'], minute = 0): LogEntry => ({
    id: `${body.kind} ${minute}`,
    at: `2026-03-01T10:${String(minute).padStart(2, '0')}:00Z`,
    body,
  });
  const plan = (typed: string, more: readonly LogEntry[] = [], inputs = false) => {
    const log = [line({ kind: 'soak', event: 'begun', text: typed }), ...more];
    return stressPlan(soakRun(log, Date.parse('2026-03-01T10:30:00Z')), log, inputs);
  };

  it('is warm-ups for what fails warm, cold starts for what does not say when', () => {
    expect(plan('after half an hour').map(({ id }) => id)).toEqual(['cycles', 'warm']);
    expect(plan('after half an hour')[0]!.how).toContain('45 min on each');
    expect(plan('twice a day').map(({ id }) => id)).toEqual(['starts', 'night']);
    expect(plan('', [], true).map(({ id }) => id)).toEqual(['starts', 'inputs']);
  });

  it('knocks where it answered, and says what was done', () => {
    const knocked = line({ kind: 'worked', board: 'main', x: 0.2, y: 0.3, by: 'tap', answer: 2 }, 1);
    const [, knock] = plan('3 in 10 h', [knocked]);
    expect(knock).toMatchObject({ id: 'knock', done: false, why: 'it answered to tap, 2 of 3' });
    const done = line({ kind: 'soak', event: 'stressed', text: knock!.title }, 2);
    const after = plan('3 in 10 h', [knocked, done]);
    expect(after.find(({ id }) => id === 'knock')!.done).toBe(true);
  });

  it('does not break the clean hours', () => {
    const log = [
      line({ kind: 'soak', event: 'begun', text: '3 in 10 h' }),
      line({ kind: 'soak', event: 'stressed', text: 'Three cold starts' }, 10),
    ];
    expect(soakRun(log, Date.parse('2026-03-01T10:30:00Z'))!.clean).toBe(1800);
  });
});
