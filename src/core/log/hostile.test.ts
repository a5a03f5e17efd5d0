import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ValidationError } from 'yup';
import { type LogBody, parseBatch, readApart, replay } from '.';
import { readDay, readOldNotes, searchQuery, wordsOf } from '../notebook';
import { attempt, Refusal } from '../quantity';
import { teardownOf } from '../teardown';
import { netOf, traceOf } from '../tracing';

const at = '2026-11-24T10:00:00Z';
/** One line of many kinds, as it is sent. */
const bodies: readonly LogBody[] = [
  { kind: 'note', text: 'dark' },
  { kind: 'power', power: 'live' },
  { kind: 'reading', check: 'vs-dc', answer: { kind: 'number', value: 187, shape: 'settled' }, text: 'vs 187' },
  { kind: 'apart', what: 'screw', title: 'long black', count: 4 },
  { kind: 'back', step: 'line-0004' },
  { kind: 'traced', text: 'R12.1 Q5.b' },
  { kind: 'compared', title: 'sides', table: 'R1 1k 1k' },
  { kind: 'soak', event: 'begun', text: '3 in 10 h' },
  { kind: 'turned', control: 'VR841', end: false },
  { kind: 'reading', check: 'picture', answer: { kind: 'picture', symptoms: ['dark'] }, text: 'dark' },
  { kind: 'repair', action: 'R1', title: 'new', cures: ['R1.open'], money: 1, minutes: 5, note: '' },
  { kind: 'store', store: 'C812', volts: 4 },
  { kind: 'worked', board: 'main', x: 0.5, y: 0.5, by: 'tap', answer: 2 },
  { kind: 'intervention', change: 'lifted', target: 'R1', on: true },
  { kind: 'shape', off: 1, furthest: 2, unexplained: 0, terms: [{ term: 'width', percent: 1, spread: 0.1 }] },
  { kind: 'grey', bar: 'dark', looks: 'bluish' },
  { kind: 'plan', lampWatts: 60, lampVolts: 230, mains: 230, loadWatts: 90, frontEnd: 'plain' },
  { kind: 'withdrawn' },
];
const batch = bodies.map((body, index) => ({ id: `line-${String(index).padStart(4, '0')}`, at, body }));

/** Values that a careless or hostile sender may put anywhere. */
const anything = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    undefined,
    Number.NaN,
    Infinity,
    -1,
    1e308,
    '',
    '__proto__',
    'x'.repeat(5000),
    [],
    {},
    true,
  ),
  fc.string(),
  fc.jsonValue({ maxDepth: 2 }),
);

/** A copy of a value with what stands at one of its places put in the place of it. */
function changed(value: unknown, steps: readonly number[], by: unknown): unknown {
  if (typeof value !== 'object' || value === null || steps.length === 0) return by;
  const keys = Object.keys(value);
  if (keys.length === 0) return by;
  const [step = 0, ...rest] = steps;
  const key = keys[step % keys.length]!;
  const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...value }) as Record<string, unknown>;
  copy[key] = changed(copy[key], rest, by);
  return copy;
}

describe('lines that come from anywhere', () => {
  it('are taken as a whole or refused in words, whatever was put where; what was taken can be replayed', () => {
    const places = fc.array(fc.nat(40), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(places, anything, (steps, by) => {
        const sent = changed({ seen: 0, entries: batch }, steps, by);
        try {
          const { entries } = parseBatch(sent);
          replay(entries, ['C812']);
          teardownOf(entries);
        } catch (error) {
          expect(error).toBeInstanceOf(ValidationError);
          expect((error as ValidationError).message.length).toBeGreaterThan(4);
        }
      }),
      { numRuns: 3000 },
    );
  });
});

describe('texts that come from anywhere', () => {
  const refusing = (read: (text: string) => unknown) => {
    const text = fc.oneof(
      fc.string({ maxLength: 200 }),
      fc.stringMatching(/^[RCQD]\d{1,3}(\.[12bce])? ?(not|npn|zener|4k7|100n|\+12|gnd|OL|-)? ?[RQ]?\d?(\.\w)?$/),
      fc.stringMatching(/^([sclgpn] )?\d{0,4} ?[a-zé ]{0,30}$/),
      fc.stringMatching(/^\d{1,4}[-./]\d{0,2}[-./]\d{0,4}$/),
      fc.stringMatching(/^date,cause(,minutes)?\n(\d{4},[a-z"]*,-?\d*\n){1,3}$/),
    );
    fc.assert(
      fc.property(text, (typed) => {
        const read_ = attempt(() => read(typed));
        if (read_ instanceof Refusal) expect(read_.message.length).toBeGreaterThan(4);
      }),
      { numRuns: 2000 },
    );
  };

  it.each([
    ['a step of taking apart', readApart],
    ['a day', (typed: string) => readDay(typed, '2026-11-24')],
    ['a list of old notes', (typed: string) => readOldNotes(typed, '2026-11-24')],
    ['a search', (typed: string) => searchQuery(wordsOf(typed))],
    [
      'a trace',
      (typed: string) => {
        const { parts, facts } = traceOf(['R1 1k', 'Q2 npn', ...typed.split('\n'), typed]);
        return netOf(parts, facts);
      },
    ],
  ] as const)('%s is read, or refused in words', (_, read) => refusing(read));
});
