import { readingRows } from '@/core/job';
import { type EntrySituation, interpret, nextStep, type SetStep } from '@/core/entry';
import { type LogBody, type LogEntry, replay, lastStanding } from '@/core/log';
import { type Answer } from '@/core/measure';
import { describe, expect, it } from 'vitest';
import { choicesFor, liveCold, predictionsOf } from '@/core/behaviour';
import { adviseOn, type Case, foundParts } from '@/core/diagnosis';
import { adoptedText, editsOf, readSheet, withEdits } from '@/core/sheet';
import { depict, type Symptom } from '@/core/picture';
import { shippedSheets, shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';
import { type SeenPicture, whyProbe } from '@/features/bench/benchModel';

const sheet = shippedSheets().get('halvane-hp-42')!;
const predictions = predictionsOf(sheet);
const stores = [...sheet.stores.keys()];
const number = (value: number): Answer => ({ kind: 'number', value, shape: 'settled' });
const live: LogBody = { kind: 'power', power: 'live' };
const off: LogBody = { kind: 'power', power: 'unplugged' };
const took = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: number(value),
  text: String(value),
});
const proofs = stores.map((store): LogBody => ({ kind: 'store', store, volts: 2 }));
const entriesOf = (bodies: readonly LogBody[]): LogEntry[] =>
  bodies.map((body, index) => ({ id: `e${index}`, at: '2026-11-24T10:00:00Z', body }));
const caseOf = (...bodies: LogBody[]): Case => ({
  predictions,
  complaint: { symptoms: ['upper_dark'], signs: {} },
  bench: replay(entriesOf(bodies), stores),
  closed: new Map(),
  hourlyRate: 18,
});
const pictures: SeenPicture[] = [
  { id: 'normal', title: 'Picture right', symptoms: ['normal'], picture: depict('panel', []) },
  { id: 'upper', title: 'Upper half dark', symptoms: ['upper_dark'], picture: depict('panel', ['upper_dark']) },
];
const desk = (job: Case, focus?: string, more: Partial<EntrySituation> = {}): EntrySituation => ({
  job,
  focus: focus === undefined ? undefined : predictions.checks.get(focus),
  step: undefined,
  correcting: undefined,
  pictures,
  ...more,
});

describe('the step before a probe', () => {
  const cold = { ...liveCold, power: 'proven' } as const;

  it('goes through unplugging, proving each store, and moving a connector, one at a time', () => {
    const isolated = { ...cold, unplugged: ['CN802'] };
    const titles: string[] = [];
    const bodies: LogBody[] = [live];
    for (
      let step: SetStep | undefined = nextStep(caseOf(...bodies), isolated);
      step;
      step = nextStep(caseOf(...bodies), isolated)
    ) {
      titles.push(step.kind === 'prove' ? `prove ${step.store.id}` : step.title);
      bodies.push(step.kind === 'prove' ? { kind: 'store', store: step.store.id, volts: 3 } : step.body);
    }
    expect(titles).toEqual(['Pull the plug', ...stores.map((store) => `prove ${store}`), 'Pull CN802 to scan sustain']);
  });

  it('puts the connector back and applies power for the next live probe', () => {
    const pulled = caseOf(off, ...proofs, { kind: 'connector', connector: 'CN802', pulled: true });
    expect(nextStep(pulled, liveCold)).toMatchObject({ kind: 'do', title: 'Put CN802 to scan sustain back' });
    const back = caseOf(off, ...proofs);
    expect(nextStep(back, liveCold)).toMatchObject({ title: 'Apply power', body: live });
    expect(nextStep(caseOf(live), { ...liveCold, warm: true })).toMatchObject({ title: 'Let it run for ten minutes' });
    expect(nextStep(caseOf(live), liveCold)).toBeUndefined();
  });
});

describe('what is typed', () => {
  const onLive = caseOf(live);

  it('is judged before it is recorded', () => {
    expect(interpret('9.1', desk(onLive, 'vfu-dc'))).toMatchObject({
      kind: 'line',
      said: '9.1 V',
      body: { kind: 'reading', check: 'vfu-dc', text: '9.1' },
      reading: { verdict: { mark: 'low', words: '39 % weak' } },
    });
    expect(interpret('', desk(onLive, 'vfu-dc'))).toEqual({ kind: 'nothing' });
  });

  it('may name another point than the one asked for', () => {
    expect(interpret('vs 187', desk(onLive, 'vfu-dc'))).toMatchObject({ body: { check: 'vs-dc' } });
  });

  it('is refused where the set is marked in the other state, with the key that tells it', () => {
    expect(interpret('C547 2.9', desk(onLive))).toMatchObject({
      kind: 'wrong',
      message: expect.stringContaining('marked LIVE: Alt P') as string,
    });
    expect(interpret('vs 187', desk(caseOf(off)))).toMatchObject({
      kind: 'wrong',
      message: expect.stringContaining('marked unplugged: Alt P') as string,
    });
  });

  it('picks a picture by its number', () => {
    expect(interpret('2', desk(onLive, 'picture'))).toMatchObject({
      body: { answer: { kind: 'picture', symptoms: ['upper_dark'] } },
    });
    expect(interpret('9', desk(onLive, 'picture'))).toMatchObject({ kind: 'wrong' });
  });

  it('takes up a part that no sheet lists', () => {
    expect(interpret('part R118 22R psu feeds vs', desk(onLive))).toMatchObject({
      kind: 'sheet',
      change: { kind: 'part', part: 'R118' },
      said: expect.stringContaining('resistor in') as string,
    });
    expect(interpret('part R118', desk(onLive))).toMatchObject({ kind: 'wrong' });
  });

  it('teaches the sheet only what a set that works has shown', () => {
    const saw = (symptom: Symptom): LogBody => ({
      kind: 'reading',
      check: 'picture',
      answer: { kind: 'picture', symptoms: [symptom] },
      text: symptom,
    });
    const learn = (...bodies: LogBody[]) => interpret('learn v5m', desk(caseOf(live, ...bodies)));
    const read5 = took('v5m-dc', 5.02);
    expect(learn(read5)).toMatchObject({ message: expect.stringContaining('record its picture as right') as string });
    expect(learn(saw('upper_dark'), read5)).toMatchObject({ kind: 'wrong' });
    expect(learn(saw('normal'))).toMatchObject({ message: expect.stringContaining('measure') as string });
    expect(learn(saw('normal'), read5)).toMatchObject({
      kind: 'sheet',
      change: { kind: 'point', point: 'v5m-dc', volts: 5.02, source: 'good set' },
    });
    expect(interpret('learn vs', desk(caseOf(live, saw('normal'), took('vs-dc', 187))))).toMatchObject({
      message: expect.stringContaining('label') as string,
    });
  });

  it('changes the set', () => {
    expect(interpret('unplug CN802', desk(onLive))).toMatchObject({
      body: { kind: 'connector', pulled: true },
      said: 'CN802 pulled',
    });
    expect(interpret('plug cn802', desk(onLive))).toMatchObject({ said: 'CN802 back' });
    expect(interpret('warm', desk(onLive))).toMatchObject({ body: { kind: 'warmth', warm: true } });
    expect(interpret('lamp in', desk(onLive))).toMatchObject({ body: { kind: 'lamp', fitted: true } });
    expect(interpret('unplugged', desk(onLive))).toMatchObject({ body: off });
    expect(interpret('proven', desk(onLive))).toMatchObject({
      kind: 'wrong',
      message: expect.stringContaining('measure each store') as string,
    });
  });

  it('keeps a correction in the context of what it corrects', () => {
    const job = caseOf(live, took('vs-dc', 18.7), off);
    const [correcting] = job.bench.readings;
    expect(interpret('187', desk(job, 'vs-dc', { correcting }))).toMatchObject({
      kind: 'line',
      reading: { verdict: { mark: 'within' } },
    });
  });
});

describe('proving a store', () => {
  const unplugged = caseOf(live, off);
  const step = nextStep(unplugged, { ...liveCold, power: 'proven' });

  it('takes the bare volts for the store that is asked for, or a store by its name', () => {
    expect(interpret('3.2', desk(unplugged, 'C547-esr', { step }))).toMatchObject({
      body: { kind: 'store', store: 'C812', volts: 3.2 },
      said: 'C812 measured 3.2 V',
    });
    expect(interpret('C841 12', desk(unplugged, 'C547-esr', { step }))).toMatchObject({
      body: { store: 'C841', volts: 12 },
    });
  });

  it('keeps a high reading, which proves nothing', () => {
    const high = interpret('210', desk(unplugged, 'C547-esr', { step }));
    expect(high).toMatchObject({ kind: 'line', body: { kind: 'store', volts: 210 } });
    const after = caseOf(off, { kind: 'store', store: 'C812', volts: 210 });
    expect(after.bench.context.power).toBe('unplugged');
    expect(nextStep(after, { ...liveCold, power: 'proven' })).toMatchObject({ kind: 'prove', store: { id: 'C812' } });
    expect(interpret('OL', desk(unplugged, 'C547-esr', { step }))).toMatchObject({ kind: 'wrong' });
  });

  it('is finished before power once it was begun, unless a repair came after it', () => {
    const begun = [live, off, { kind: 'store', store: 'C812', volts: 3 } as const];
    const on = { ...liveCold, power: 'live' } as const;
    expect(nextStep(caseOf(...begun), on)).toMatchObject({ kind: 'prove' });
    const fitted = {
      kind: 'repair',
      action: 'replace:C547',
      title: '',
      cures: [],
      money: 0,
      minutes: 0,
      note: '',
    } as const;
    expect(nextStep(caseOf(...begun, fitted), on)).toMatchObject({ kind: 'do', body: live });
    expect(nextStep(caseOf(...begun, fitted), { ...on, power: 'proven' })).toMatchObject({ kind: 'prove' });
  });

  it('leaves a resistance of the same part a reading', () => {
    expect(interpret('C841 0.2 ohm', desk(unplugged, undefined, { step }))).toMatchObject({
      body: { kind: 'reading', check: 'C841-esr' },
    });
  });

  it('is not read on a live set, where the volts are a reading', () => {
    expect(interpret('C812 310', desk(caseOf(live)))).toMatchObject({ body: { kind: 'reading', check: 'res-dc' } });
  });
});

describe('the list of readings', () => {
  it('has the newest first and says under which circumstances each was taken', () => {
    const rows = readingRows(
      caseOf(
        live,
        took('vs-dc', 187),
        { kind: 'connector', connector: 'CN802', pulled: true },
        { kind: 'warmth', warm: true },
        { kind: 'lamp', fitted: true },
        took('va-dc', 63),
      ),
    );
    expect(rows.map(({ check, circumstances }) => [check.id, circumstances])).toEqual([
      ['va-dc', 'CN802 pulled, warm, lamp in'],
      ['vs-dc', ''],
    ]);
  });

  it('compares siblings only by what was read since the last repair', () => {
    const repair: LogBody = {
      kind: 'repair',
      action: 'replace:C547',
      title: '',
      cures: ['C547.dry'],
      money: 0,
      minutes: 0,
      note: '',
    };
    expect(caseOf(live, took('vs-dc', 180), took('vs-dc', 187)).bench.latest.get('vs-dc')!.answer).toEqual(number(187));
    expect(caseOf(live, took('vs-dc', 180), repair).bench.latest.has('vs-dc')).toBe(false);
  });

  it('takes back the newest line that still stands', () => {
    const [a, b] = entriesOf([live, took('vs-dc', 1)]);
    const gone: LogEntry = { id: 'x', at: '', body: { kind: 'withdrawn' }, supersedes: 'e1' };
    expect(lastStanding([a!, b!])?.id).toBe('e1');
    expect(lastStanding([a!, b!, gone])?.id).toBe('e0');
    expect(lastStanding([])).toBeUndefined();
  });
});

describe('the probe card', () => {
  it.each([...shippedSheets().keys()])(
    'takes each answer that it offers, on %s, whatever else is called that',
    (id) => {
      const of = predictionsOf(shippedSheets().get(id)!);
      for (const check of of.checks.values())
        for (const choice of choicesFor(check)) {
          const situation = { ...caseOf(), predictions: of, bench: replay([], [...of.model.sheet.stores.keys()]) };
          const context = { ...liveCold, power: check.state === 'live' ? ('live' as const) : ('proven' as const) };
          const job = { ...situation, bench: { ...situation.bench, context } };
          const read = interpret(choice, { ...desk(job), focus: check });
          expect([check.id, choice, read.kind]).toEqual([check.id, choice, 'line']);
          expect(read).toMatchObject({ body: { kind: 'reading', check: check.id } });
        }
    },
  );

  it('offers the answers of a probe that is not a number', () => {
    expect(choicesFor(predictions.checks.get('buzz')!)).toEqual(['yes', 'weak', 'brief', 'no']);
    expect(choicesFor(predictions.checks.get('look-glass')!)).toEqual(['fine', 'PANEL']);
    expect(choicesFor(predictions.checks.get('vs-dc')!)).toEqual([]);
  });

  it('says what the first probe is worth', () => {
    expect(whyProbe(adviseOn(caseOf(live)).probes[0]!)).toMatch(/^saves about \d+ min against repairing now$/);
  });
});

describe('a part measured by itself, typed at the bench', () => {
  const line = 'C214 220u 35V esr 6';
  const measured: LogBody = { kind: 'part', ref: 'C214', line };

  it('is recorded with its verdict, whether or not the sheet knows it, and with the reading that a known one is asked for', () => {
    expect(interpret(line, desk(caseOf(off)))).toMatchObject({
      kind: 'line',
      body: measured,
      more: [],
      said: expect.stringMatching(/^C214: ESR 6 Ω/),
    });
    expect(interpret('C547 100u 35V esr 2.9', desk(caseOf(off), 'picture'))).toMatchObject({
      kind: 'line',
      body: { kind: 'part', ref: 'C547' },
      more: [{ kind: 'reading', check: 'C547-esr' }],
    });
    expect(interpret('C214 esr 0.1', desk(caseOf(off, measured)))).toMatchObject({ body: { ref: 'C214' } });
  });

  it('is a capacity where that is typed for an ESR', () => {
    const capacity = { kind: 'line', body: { kind: 'part', ref: 'C547' }, more: [] };
    expect(interpret('C547 83u', desk(caseOf(off)))).toMatchObject(capacity);
    expect(interpret('83u', desk(caseOf(off), 'C547-esr'))).toMatchObject(capacity);
  });

  it('is refused on a live set, and words that are no such thing are said to be none', () => {
    expect(interpret(line, desk(caseOf(live)))).toMatchObject({ message: expect.stringMatching(/marked LIVE/) });
    expect(interpret('C214 220u', desk(caseOf(off)))).toMatchObject({
      message: expect.stringMatching(/has no point "C214".*with its mark and what it reads/),
    });
    expect(interpret('field rail 1.8', desk(caseOf(off), 'picture'))).toMatchObject({
      message: expect.stringMatching(/has no point "field".*like "rail field 24 from/),
    });
    expect(interpret('all teatime', desk(caseOf(off), 'picture'))).toMatchObject({
      message: expect.stringMatching(/is no picture.*has no point "all"/),
    });
  });

  it('is found bad until it reads right, and counts as soon as the sheet knows what it does', () => {
    const found = (...bodies: LogBody[]) => foundParts(caseOf(...bodies));
    expect(found(measured)).toMatchObject([{ part: 'C214', putIn: 'part C214 220u shunts v15' }]);
    expect(found(measured, { kind: 'part', ref: 'C214', line: 'C214 esr 0.1' })).toEqual([]);
    // Of a part that the sheet knows its own check says more, taken with it or later.
    const known: LogBody = { kind: 'part', ref: 'C547', line: 'C547 100u 35V esr 2.9' };
    expect(found(off, known)).toMatchObject([{ part: 'C547' }]);
    expect(found(off, known, took('C547-esr', 0.1))).toEqual([]);
    const put = interpret('part C214 220u scan shunts vscan', desk(caseOf(measured)));
    if (put.kind !== 'sheet') throw new Error(JSON.stringify(put));
    expect(put.then).toBe(line);
    const own = readSheet(withEdits(adoptedText('own', sheet.id, 'Own'), editsOf(put.change, sheet)), {
      textOf: (id) => shippedTexts().get(id),
      netlistOf,
    });
    const job = { ...caseOf(off, measured), predictions: predictionsOf(own) };
    expect(interpret(line, { ...desk(job) })).toMatchObject({
      body: { kind: 'reading', check: 'C214-esr', answer: { value: 6 } },
      more: [],
    });
    expect(foundParts(job)).toMatchObject([{ part: 'C214', action: expect.stringMatching(/C214/) }]);
    expect(foundParts(job)[0]).not.toHaveProperty('putIn');
  });
});
