import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { apartKinds, apartText, type LogBody, type LogEntry, parseBatch, readApart } from '../log';
import { likelyNext, outBeforePower, screwsLeft, stepsText, stillOut, teardownOf } from '.';

const line = (id: string, body: LogBody, supersedes?: string): LogEntry => ({
  id,
  at: '2026-11-24T10:00:00Z',
  body,
  ...(supersedes === undefined ? {} : { supersedes }),
});
const taken = [
  line('one', readApart('s 4 long black, back')),
  line('two', readApart('c CN802')),
  line('three', readApart('g 3 braid to the frame')),
  line('four', readApart('mind the neck')),
];

describe('a step as it is typed', () => {
  it.each([
    ['s 4 long black, back', 'screw', 4, 'long black, back', '4 screws: long black, back'],
    ['4 short', 'screw', 4, 'short', '4 screws: short'],
    ['2x screws under the label', 'screw', 2, 'screws under the label', '2 screws under the label'],
    ['ribbon to the upper buffer', 'latch', 1, 'ribbon to the upper buffer', 'ribbon to the upper buffer'],
    ['G braid at the neck', 'ground', 1, 'braid at the neck', 'braid at the neck'],
    ['grey pad under Q511', 'pad', 1, 'grey pad under Q511', 'grey pad under Q511'],
    ['c CN802', 'cable', 1, 'CN802', 'cable: CN802'],
    ['mind the neck', 'snag', 1, 'mind the neck', 'mind the neck'],
  ])('%s', (typed, what, count, title, said) => {
    const step = readApart(typed);
    expect(step).toEqual({ kind: 'apart', what, count, title });
    expect(apartText(step)).toBe(said);
  });

  it.each(['', 's', 's 4', '0 screws', '999 screws', 'x'.repeat(121)])(
    '"%s" says nothing that can be put back',
    (typed) => expect(() => readApart(typed)).toThrow(/say what it is|cannot be: from 1 to 200/),
  );

  it('is taken as it stands by the record, whatever was typed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(apartKinds)),
        fc.integer({ min: 1, max: 200 }),
        fc.string({ minLength: 1, maxLength: 100 }),
        ({ letter }, count, title) => {
          fc.pre(/^[a-z]{2}/i.test(title.trim()));
          const body = readApart(`${letter} ${count} ${title}`);
          expect(body).toMatchObject({ count, title: title.trim() });
          const entries = [{ id: 'line-0001', at: '2026-11-24T10:00:00Z', body }];
          expect(parseBatch({ seen: 0, entries }).entries[0]!.body).toEqual(body);
        },
      ),
    );
  });
});

describe('putting together', () => {
  it('goes the other way round, and what matters for power is asked for first', () => {
    const steps = teardownOf(taken);
    expect(stillOut(steps).map(({ id }) => id)).toEqual(['four', 'three', 'two', 'one']);
    expect(outBeforePower(steps).map(({ id }) => id)).toEqual(['three', 'two']);
    expect(screwsLeft(steps)).toBe(4);
    expect(stepsText(stillOut(steps), 2)).toBe('mind the neck, 3 braid to the frame, 2 more');
  });

  it('counts what is back, also when the step is corrected afterwards, and no more when that is taken back', () => {
    const log = [
      ...taken,
      line('five', { kind: 'back', step: 'one' }),
      line('six', readApart('s 5 long black, back'), 'one'),
    ];
    expect(teardownOf(log)[0]).toMatchObject({ id: 'six', count: 5, back: 'five' });
    expect(screwsLeft(teardownOf(log))).toBe(0);
    expect(screwsLeft(teardownOf([...log, line('seven', { kind: 'withdrawn' }, 'five')]))).toBe(5);
  });
});

it('offers what the last of its kind took, then plugs and ground screws of the sheet, and nothing twice', () => {
  const sheet = shippedSheets().get('halvane-hp-42')!;
  const last = [{ what: 'screw', title: 'long black, back', count: 4 } as const];
  const offered = likelyNext([], last, sheet);
  expect(offered[0]).toEqual(last[0]);
  expect(offered.filter(({ what }) => what === 'cable')).toHaveLength(sheet.connectors.size);
  const steps = teardownOf([
    line('one', { kind: 'apart', ...last[0]! }),
    line('two', { kind: 'apart', ...offered[1]! }),
  ]);
  const left = likelyNext(steps, last, sheet);
  expect(left).toEqual(offered.slice(2));
  expect(likelyNext(steps, offered, sheet)).toEqual(left);
});
