import { type LogEntry } from '@/core/log';
import { jointArea } from '@/core/intermittent';
import { describe, expect, it } from 'vitest';
import { liveCold } from '@/core/behaviour';
import { likelyCells, placeWords, soakRun, soakWorth, whyNotLive } from './mapModel';
import { photoType } from './photoTypes';

const bytes = (...parts: readonly (number | string)[]) =>
  Uint8Array.from(
    parts.flatMap((part) => (typeof part === 'number' ? [part] : [...part].map((one) => one.charCodeAt(0)))),
  );

describe('what is taken for a photograph', () => {
  it.each([
    [bytes(0xff, 0xd8, 0xff, 0xe0), 'image/jpeg'],
    [bytes(0x89, 'PNG', 0x0d), 'image/png'],
    [bytes('RIFF', 0, 0, 0, 0, 'WEBPVP8 '), 'image/webp'],
    [bytes('RIFF', 0, 0, 0, 0, 'WAVEfmt '), undefined],
    [bytes('<svg onload="x"/>'), undefined],
    [bytes(), undefined],
  ])('is told by its first bytes (%#)', (first, type) => expect(photoType(first)).toBe(type));
});

describe('the likely area', () => {
  it('is painted where it is likely, and named by its third of the board', () => {
    const area = jointArea([{ x: 0.8, y: 0.2, by: 'chill', answer: 3 }])!;
    const cells = likelyCells(area);
    expect(cells.length).toBeLessThan(area.chances.length / 4);
    expect(Math.max(...cells.map(({ share }) => share))).toBe(1);
    expect(placeWords(area.x, area.y)).toBe('Upper right');
    expect(placeWords(0.5, 0.5)).toBe('The middle');
    expect(placeWords(0, 1)).toBe('Lower left');
    expect(placeWords(1, 0.5)).toBe('Middle right');
  });
});

describe('what a soak comes to', () => {
  const run = (clean: number, before?: { failures: number; hours: number }) =>
    soakWorth({ running: true, seconds: clean, clean, seen: [], before });

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
  const log = (...events: readonly [minute: number, event: 'begun' | 'seen' | 'ended', text?: string][]): LogEntry[] =>
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

  it('begun anew leaves the last one behind', () => {
    const run = soakRun(log([0, 'begun'], [1, 'seen', 'old'], [2, 'ended'], [30, 'begun']), Date.parse(at(31)))!;
    expect(run).toMatchObject({ running: true, seconds: 60, seen: [] });
  });
});

it('a set that is off answers to nothing, and it is said what to do', () => {
  expect(whyNotLive({ context: liveCold })).toBeUndefined();
  expect(whyNotLive({ context: { ...liveCold, power: 'proven' } })).toMatch(/answers to nothing \(Alt P/);
});
