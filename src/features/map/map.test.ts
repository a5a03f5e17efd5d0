import { jointArea } from '@/core/intermittent';
import { describe, expect, it } from 'vitest';
import { type Check, liveCold } from '@/core/behaviour';
import { replay } from '@/core/log';
import { failedWith, failuresOf, likelyCells, placeWords, whyNotLive, watchedLines } from './mapModel';

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

it('a set that is off answers to nothing, and it is said what to do', () => {
  expect(whyNotLive({ context: liveCold })).toBeUndefined();
  expect(whyNotLive({ context: { ...liveCold, power: 'proven' } })).toMatch(/answers to nothing \(Alt P/);
});

it('a set on a soak fails with what it showed before, or with nothing, and that is a reading', () => {
  const log = [['horizontal_line'], ['normal'], ['dim']].map((symptoms, index) => ({
    id: `line-${index}`,
    at: '2026-11-30T10:00:00Z',
    body: failedWith(symptoms as ['normal'])[0]!,
  }));
  const job = { complaint: { symptoms: ['dim'] as const, signs: {} }, bench: replay(log, []) };
  expect(failuresOf(job)).toEqual([['dim'], ['horizontal_line'], ['dark']]);
  expect(failedWith(['horizontal_line'])).toMatchObject([
    { kind: 'reading', check: 'picture', answer: { symptoms: ['horizontal_line'] } },
    { kind: 'soak', event: 'failed', text: 'One line across' },
  ]);
});

it('what the meter saw go ends a soak, a rail as its reading, the light as a dark picture; a moment away is an event', () => {
  const check = { id: 'bplus-dc' } as Check;
  const lost = { kind: 'lost', at: 20, level: 0.02, lasted: 0 } as const;
  expect(watchedLines(lost, 125, 'B+ fell', check)).toEqual([
    {
      kind: 'reading',
      check: 'bplus-dc',
      answer: { kind: 'number', value: 2.5, shape: 'settled' },
      text: 'watched on the soak',
    },
    { kind: 'soak', event: 'failed', text: 'B+ fell' },
  ]);
  expect(watchedLines(lost, 1, 'the light fell', undefined)).toEqual(failedWith(['dark']));
  expect(watchedLines({ ...lost, kind: 'dip' }, 125, 'B+ fell', check)).toEqual([
    { kind: 'soak', event: 'seen', text: 'B+ fell' },
  ]);
});
