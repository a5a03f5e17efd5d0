import { predictionsOf } from '../behaviour';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ValidationError } from 'yup';
import { shippedSheets } from '@/sheets';
import { largestBatch, parseBatch, replay, storeReading, unknownName } from '.';

const entry = (body: object, more: object = {}) => ({
  id: 'b3f0c9c2-0001',
  at: '2026-11-24T10:00:00.000Z',
  body,
  ...more,
});
const batch = (...entries: object[]) => ({ seen: 0, entries });
const reading = {
  kind: 'reading',
  check: 'vs-dc',
  answer: { kind: 'number', value: 187, shape: 'settled' },
  text: 'vs 187',
};

describe('a batch of log lines', () => {
  it('is taken whole or refused by name, whatever a sender makes of it', () => {
    const kinds = fc.constantFrom(
      'reading',
      'power',
      'proven',
      'repair',
      'worked',
      'plan',
      'note',
      '__proto__',
      'toString',
    );
    const bodyOf = fc.tuple(kinds, fc.dictionary(fc.string({ maxLength: 8 }), fc.jsonValue(), { maxKeys: 4 }));
    const sent = fc.oneof(
      fc.jsonValue(),
      bodyOf.map(([kind, more]) => batch(entry({ ...more, kind }))),
      fc.tuple(bodyOf, fc.jsonValue()).map(([[kind], answer]) => batch(entry({ ...reading, kind, answer }))),
    );
    fc.assert(
      fc.property(sent, (input) => {
        try {
          const { entries } = parseBatch(input);
          expect(entries.every(({ body }) => typeof body.kind === 'string')).toBe(true);
        } catch (error) {
          if (!(error instanceof ValidationError)) throw error;
        }
      }),
      { numRuns: 800 },
    );
  });

  it.each([
    [reading],
    [{ kind: 'reading', check: 'buzz', answer: { kind: 'choice', choice: 'weak' }, text: '' }],
    [{ kind: 'reading', check: 'picture', answer: { kind: 'picture', symptoms: ['upper_dark'] }, text: '' }],
    [{ kind: 'unreachable', check: 'vs-dc' }],
    [{ kind: 'power', power: 'live' }],
    [{ kind: 'store', store: 'C812', volts: 2.4 }],
    [{ kind: 'connector', connector: 'CN802', pulled: true }],
    [{ kind: 'warmth', warm: true }],
    [{ kind: 'lamp', fitted: false }],
    [{ kind: 'isolation', fitted: true }],
    [
      {
        kind: 'repair',
        action: 'replace:C547',
        title: 'Fit a new C547',
        cures: ['C547.dry'],
        money: 0.6,
        minutes: 22,
        note: '',
      },
    ],
    [{ kind: 'inside', block: 'green', node: 'b', measure: 'ripple', volts: 0.2 }],
    [{ kind: 'part', ref: 'R12', line: 'R12 4k7 5k6' }],
    [{ kind: 'compared', title: '', table: 'R1 1k 1k' }],
    [{ kind: 'plan', lampWatts: 100, lampVolts: 230, mains: 230, loadWatts: 45 }],
    [{ kind: 'step', step: 'lamp-low', volts: 129 }],
    [{ kind: 'worked', board: 'scan', x: 0.5, y: 1, by: 'chill', answer: 3 }],
    [{ kind: 'soak', event: 'seen', text: 'gone for a moment' }],
    [{ kind: 'photo', photo: 'photo-0001', board: 'scan', title: 'back' }],
    [{ kind: 'withdrawn' }],
  ])('takes %j', (body) => {
    expect(parseBatch(batch(entry(body))).entries[0]!.body).toEqual(body);
  });

  it('reads OL back from the null that JSON makes of it', () => {
    const sent = JSON.parse(
      JSON.stringify(batch(entry({ ...reading, answer: { kind: 'number', value: Infinity, shape: 'settled' } }))),
    ) as object;
    expect(parseBatch(sent).entries[0]!.body).toMatchObject({ answer: { value: Infinity } });
  });

  it.each([
    ['a kind nobody knows', batch(entry({ kind: 'gossip' })), /kind must be one of/],
    ['a kind that is a property of every object', batch(entry({ kind: 'constructor' })), /kind must be one of/],
    ['a member too many', batch(entry({ kind: 'withdrawn', extra: 1 })), /unspecified key|unknown|extra/],
    [
      'a value that is no number',
      batch(entry({ ...reading, answer: { kind: 'number', value: 'high', shape: 'settled' } })),
      /answer.value/,
    ],
    [
      'a symptom nobody knows',
      batch(entry({ kind: 'reading', check: 'picture', answer: { kind: 'picture', symptoms: ['teatime'] }, text: '' })),
      /symptoms\[0\]/,
    ],
    ['an id that could be anything', batch(entry(reading, { id: '../../etc' })), /id must be 8 to 64/],
    ['a time that is none', batch(entry(reading, { at: 'yesterday' })), /ISO instant/],
    [
      'negative money',
      batch(entry({ kind: 'repair', action: 'a', title: 'b', cures: [], money: -1, minutes: 0, note: '' })),
      /money/,
    ],
    [
      'a place off the board',
      batch(entry({ kind: 'worked', board: 'scan', x: 1.2, y: 0, by: 'tap', answer: 1 })),
      /body.x/,
    ],
    [
      'an answer that is none',
      batch(entry({ kind: 'worked', board: 'scan', x: 1, y: 0, by: 'tap', answer: 4 })),
      /answer/,
    ],
    ['no lines', batch(), /at least 1/],
    [
      'too many lines',
      batch(...Array.from({ length: largestBatch + 1 }, () => entry(reading))),
      /less than or equal to 200/,
    ],
    ['no idea of what was seen', { entries: [entry(reading)] }, /seen/],
    ['no object at all', null, /./],
  ])('refuses %s', (_, input, message) => {
    expect(() => parseBatch(input)).toThrow(message);
  });
});

describe('names in a batch', () => {
  const sheet = shippedSheets().get('halvane-hp-42')!;
  const check = (body: Parameters<typeof unknownName>[0][number]['body']) =>
    unknownName([{ id: 'x', at: '', body }], predictionsOf(sheet).names);

  it('must be known to the sheet', () => {
    expect(check({ kind: 'unreachable', check: 'vs-dc' })).toBeUndefined();
    expect(check({ kind: 'unreachable', check: 'nowhere' })).toBe('Halvane HP-42 has no point "nowhere"');
    expect(check({ kind: 'store', store: 'C1', volts: 1 })).toMatch(/no store "C1"/);
    expect(check({ kind: 'connector', connector: 'CN9', pulled: true })).toMatch(/no connector "CN9"/);
    expect(check({ kind: 'repair', action: '', title: '', cures: ['C1.dry'], money: 0, minutes: 0, note: '' })).toMatch(
      /no fault "C1.dry"/,
    );
    expect(check({ kind: 'photo', photo: 'photo-0001', board: 'attic', title: '' })).toMatch(/no board "attic"/);
    expect(check({ kind: 'worked', board: 'scan', x: 0, y: 1, by: 'tap', answer: 2 })).toBeUndefined();
    expect(check({ kind: 'inside', block: 'scan', node: 'a', measure: 'volts', volts: 1 })).toMatch(
      /no block "scan" with a netlist inside/,
    );
    expect(check({ kind: 'withdrawn' })).toBeUndefined();
  });
});

describe('a store reading', () => {
  const sheet = shippedSheets().get('halvane-hp-42')!;
  const [first, second] = [...sheet.stores.values()];
  const read = (line: string, due = second) => storeReading(line.split(' ').filter(Boolean), sheet, due);

  it('is read by name or bare, and refused with what would be right', () => {
    expect(read(`${first!.id.toLowerCase()} 4.2`)).toEqual({ kind: 'store', store: first!.id, volts: 4.2 });
    expect(read('-3')).toEqual({ kind: 'store', store: second!.id, volts: -3 });
    expect(() => storeReading(['4'], sheet, undefined)).toThrow(/say which store/);
    expect(() => read('C9999 4')).toThrow(/there is no store "C9999"/);
    expect(() => read(`${first!.id} 4k7Ω`)).toThrow(/is read in volts/);
    expect(() => read('90000')).toThrow(/more than any store/);
  });

  it('is kept however high it is; only a low one of every store proves the set dead', () => {
    const at = '2026-11-24T10:00:00Z';
    const line = (id: string, store: string, volts: number) => ({
      id,
      at,
      body: { kind: 'store', store, volts } as const,
    });
    const stores = [...sheet.stores.keys()];
    const all = stores.map((store, index) => line(`low${index}`, store, 2.1));
    const power = (log: Parameters<typeof replay>[0]) => replay(log, stores).context.power;
    expect(power(all)).toBe('proven');
    const risen = replay([...all, line('high', stores[0]!, 90)], stores);
    expect(risen.context.power).toBe('unplugged');
    expect(risen.stores.find(({ store }) => store === stores[0])).toMatchObject({ volts: 90 });
  });
});
