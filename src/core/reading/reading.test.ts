import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, liveCold, Predictions } from '../behaviour';
import { formatQuantity } from '../quantity';
import {
  type Answer,
  answerText,
  EntryError,
  judgeAnswer,
  type LogBody,
  type LogEntry,
  readEntry,
  readRefinement,
  replay,
  reviveBody,
} from '.';

const sheet = shippedSheets().get('halvane-hp-42')!;
const predictions = new Predictions(compileSheet(sheet));
const { checks } = predictions;
const scope = { sheet, checks };
const read = (line: string, focus?: string) =>
  readEntry(line, { ...scope, focus: focus === undefined ? undefined : checks.get(focus) });
const judged = (line: string) => {
  const entry = read(line);
  if (entry.kind !== 'reading') throw new Error('no reading');
  return judgeAnswer(predictions, entry.check, entry.answer, liveCold);
};

describe('the entry line', () => {
  it.each([
    ['vscan -121.4', 'vscan-dc', { kind: 'number', value: -121.4, shape: 'settled' }],
    ['C547 esr 2.9', 'C547-esr', { kind: 'number', value: 2.9, shape: 'settled' }],
    ['R565 2R2', 'R565-ohms', { kind: 'number', value: 2.2, shape: 'settled' }],
    ['F801 0.1', 'F801-ohms', { kind: 'number', value: 0.1, shape: 'settled' }],
    ['vs 190 brief', 'vs-dc', { kind: 'number', value: 190, shape: 'brief' }],
    ['VS 187,5 V', 'vs-dc', { kind: 'number', value: 187.5, shape: 'settled' }],
    ['F601 OL', 'F601-ohms', { kind: 'number', value: Infinity, shape: 'settled' }],
    ['C812 310', 'res-dc', { kind: 'number', value: 310, shape: 'settled' }],
    ['C812 0.2 ohm', 'C812-esr', { kind: 'number', value: 0.2, shape: 'settled' }],
    ['blinks 7', 'blinks', { kind: 'choice', choice: '7' }],
    ['buzz weak', 'buzz', { kind: 'choice', choice: 'weak' }],
    ['look scan C547', 'look-scan', { kind: 'choice', choice: 'C547' }],
    ['psu ok', 'look-psu', { kind: 'choice', choice: 'fine' }],
    ['press-scan answers', 'press-scan', { kind: 'choice', choice: 'answers' }],
    ['source same', 'try-source', { kind: 'choice', choice: 'same' }],
    ['picture upper_dark', 'picture', { kind: 'picture', symptoms: ['upper_dark'] }],
  ] as const)('reads "%s"', (line, check, answer) => {
    expect(read(line)).toMatchObject({ kind: 'reading', check: { id: check }, answer });
  });

  it('takes a bare value for the probe that is asked for', () => {
    expect(read('-167', 'vscan-dc')).toMatchObject({ check: { id: 'vscan-dc' }, answer: { value: -167 } });
    expect(read('y', 'buzz')).toMatchObject({ check: { id: 'buzz' }, answer: { choice: 'yes' } });
  });

  it('takes changes of the set', () => {
    expect(read('unplug cn802')).toEqual({ kind: 'connector', connector: 'CN802', pulled: true });
    expect(read('live')).toEqual({ kind: 'power', power: 'live' });
    expect(read('lamp in')).toEqual({ kind: 'lamp', fitted: true });
    expect(read('warm')).toEqual({ kind: 'warmth', warm: true });
  });

  it.each([
    ['abc', /has no point "abc"/],
    ['12.3', /has no point "12.3"/],
    ['vscan', /needs a value after it, like "vscan/],
    ['vscan 3 ohm', /read in volts, not ohms/],
    ['R565 -3', /cannot be below 0/],
    ['vs 1,870', /could be 1.870 or 1870/],
    ['buzz loud', /answered with yes, weak, brief or no/],
    ['blinks 2.5', /whole numbers/],
    ['look scan F801', /does not take in F801: answer fine or one of/],
    ['unplug CN999', /has no connector "CN999"/],
    ['picture teatime', /"teatime" is no picture/],
    ['', /type a reading/],
  ])('refuses "%s" with what would be right', (line, message) => {
    expect(() => read(line)).toThrow(message);
    expect(() => read(line)).toThrow(EntryError);
  });

  it('reads back every voltage it prints', () => {
    fc.assert(
      fc.property(fc.double({ min: -400, max: 400, noNaN: true }), (volts) => {
        const text = formatQuantity(volts, 'V');
        const entry = read(`vs ${text}`);
        const value = entry.kind === 'reading' && entry.answer.kind === 'number' ? entry.answer.value : NaN;
        expect(Math.abs(value - volts)).toBeLessThanOrEqual(Math.abs(volts) * 1e-3);
      }),
    );
  });
});

describe('a line that refines the sheet', () => {
  it('puts in a point with what the manual gives, or teaches what a good set reads', () => {
    expect(readRefinement('new tp4 VS 181 pin 3 of CN1', scope)).toEqual({
      kind: 'new point',
      name: 'tp4',
      net: 'vs',
      volts: 181,
      where: 'pin 3 of CN1',
    });
    expect(readRefinement('new tp5 vs by the relay', scope)).toMatchObject({ where: 'by the relay' });
    expect(readRefinement('learn vs', scope)).toMatchObject({ kind: 'learn', check: { id: 'vs-dc' } });
    expect(readRefinement('vs 181', scope)).toBeUndefined();
  });

  it.each([
    ['new tp4', /needs a short name, its net/],
    ['new vs vs', /has a point "vs" already/],
    ['new tp4 v99 3', /no net "v99"; it has/],
    ['new tp4 vs 3k3x', /3k3x/],
    ['new tp4 vs 33mA', /not a value|volts/],
    ['learn nothing', /no point "nothing"/],
  ])('refuses "%s"', (line, message) => {
    expect(() => readRefinement(line, scope)).toThrow(message);
  });
});

describe('verdicts', () => {
  it.each([
    ['vscan -121.4', 'low', '28 % weak'],
    ['vscan -167', 'within', 'within'],
    ['vs 0.3', 'dead', 'nothing there'],
    ['vs 187 brief', 'odd', 'up, then gone'],
    ['C547 esr 2.9', 'high', /times what a good one shows/],
    ['F801 OL', 'open', 'open'],
    ['buzz weak', 'odd', 'weak, not yes'],
    ['vs-ohms 0.6', 'dead', 'shorted'],
    ['R902 120k', 'odd', /proves nothing: lift a leg/],
    ['R902 700k', 'high', /./],
    ['picture upper_dark', 'odd', 'not right'],
  ] as const)('calls "%s" %s', (line, mark, words) => {
    expect(judged(line).mark).toBe(mark);
    expect(judged(line).words).toMatch(words);
  });

  it('says of next to nothing what it means by the way it was taken', () => {
    const tube = new Predictions(compileSheet(shippedSheets().get('pellisar-tc-14')!));
    const words = (id: string, value: number) =>
      judgeAnswer(tube, tube.checks.get(id)!, { kind: 'number', value, shape: 'settled' }, liveCold).words;
    expect(words('hdrive-hz', 0)).toBe('not running');
    expect(words('T402-rings', 0)).toBe('no ring: a shorted turn');
    expect(words('kg-dc', 0)).toBe('nothing there');
    const diode = [...tube.checks.values()].find(({ measure }) => measure === 'diode')!;
    expect(words(diode.id, 0.01)).toBe('shorted');
  });

  it('judges in the context: nothing is right behind a pulled connector', () => {
    const check = checks.get('vs-scan-dc')!;
    const pulled = { ...liveCold, unplugged: ['CN802'] };
    expect(judgeAnswer(predictions, check, { kind: 'number', value: 0.1, shape: 'settled' }, pulled).mark).toBe(
      'within',
    );
    expect(judgeAnswer(predictions, check, { kind: 'number', value: 0.1, shape: 'settled' }, liveCold).mark).toBe(
      'dead',
    );
  });
});

describe('the log', () => {
  const entry = (id: string, body: LogBody, supersedes?: string): LogEntry => ({
    id,
    at: `2026-11-24T10:0${id.length}:00Z`,
    body,
    ...(supersedes ? { supersedes } : {}),
  });
  const number = (value: number): Answer => ({ kind: 'number', value, shape: 'settled' });
  const took = (id: string, value: number, supersedes?: string) =>
    entry(id, { kind: 'reading', check: 'vs-dc', answer: number(value), text: String(value) }, supersedes);
  const stores = ['C812', 'C841'];

  it('takes a reading in the context of its moment', () => {
    const state = replay(
      [
        entry('a', { kind: 'power', power: 'live' }),
        took('b', 187),
        entry('c', { kind: 'connector', connector: 'CN802', pulled: true }),
        took('d', 188),
      ],
      stores,
    );
    expect(state.readings.map(({ context }) => context.unplugged)).toEqual([[], ['CN802']]);
    expect(state.readings[0]!.context.power).toBe('live');
  });

  it('lets a correction take the place and context of what it supersedes, and keeps the old one', () => {
    const state = replay(
      [
        entry('a', { kind: 'power', power: 'live' }),
        took('b', 18.7),
        entry('c', { kind: 'power', power: 'unplugged' }),
        took('d', 187, 'b'),
        took('e', 186.9, 'd'),
      ],
      stores,
    );
    expect(state.readings).toHaveLength(1);
    expect(state.readings[0]).toMatchObject({ text: '186.9', context: { power: 'live' } });
    expect(state.superseded.map(({ text }) => text)).toEqual(['18.7', '187']);
  });

  it('forgets what was taken back', () => {
    const state = replay([took('a', 1), entry('b', { kind: 'withdrawn' }, 'a')], stores);
    expect(state.readings).toEqual([]);
    expect(state.superseded).toHaveLength(1);
  });

  it('calls a set proven dead only when every store has been measured since the plug was pulled', () => {
    const prove = (id: string, store: string) => entry(id, { kind: 'proven', store, volts: 2 });
    const off = entry('a', { kind: 'power', power: 'unplugged' });
    expect(replay([off, prove('b', 'C812')], stores).context.power).toBe('unplugged');
    expect(replay([off, prove('b', 'C812'), prove('c', 'C841')], stores).context.power).toBe('proven');
    const again = [
      off,
      prove('b', 'C812'),
      prove('c', 'C841'),
      entry('d', { kind: 'power', power: 'live' }),
      entry('e', { kind: 'power', power: 'unplugged' }),
    ];
    expect(replay(again, stores).context.power).toBe('unplugged');
  });

  it('knows which faults were cured when a reading was taken', () => {
    const repair = entry('b', {
      kind: 'repair',
      action: 'replace:C547',
      title: '',
      cures: ['C547.dry'],
      money: 1,
      minutes: 9,
      note: '',
    });
    const state = replay([took('a', 1), repair, took('c', 2)], stores);
    expect(state.readings.map(({ cured, afterRepairs }) => [cured.has('C547.dry'), afterRepairs])).toEqual([
      [false, 0],
      [true, 1],
    ]);
  });

  it('survives JSON, OL included', () => {
    const body: LogBody = { kind: 'reading', check: 'F801-ohms', answer: number(Infinity), text: 'OL' };
    expect(reviveBody(JSON.parse(JSON.stringify(body)) as LogBody)).toEqual(body);
  });
});

describe('answers in words', () => {
  it('says figures, moments and pictures', () => {
    expect(answerText(checks.get('vs-dc')!, { kind: 'number', value: 186.42, shape: 'brief' })).toBe(
      '186.4 V, then gone',
    );
    expect(answerText(checks.get('picture')!, { kind: 'picture', symptoms: ['upper_dark', 'pink'] })).toBe(
      'Upper half dark, Pink patches on white',
    );
  });
});
