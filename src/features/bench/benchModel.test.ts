import { describe, expect, it } from 'vitest';
import { choicesFor, predictionsOf } from '@/core/behaviour';
import { adviseOn, briefingOf, followed, type ProbeAdvice } from '@/core/diagnosis';
import { type LogBody, replay } from '@/core/log';
import { shippedSheets } from '@/sheets';
import { instruction, whyProbe } from './benchModel';
import { cautionsNow } from './cautionsNow';
import { nextAction } from './nextAction';
import { keepingFront, reordered } from './useDeeperLook';

const sheet = shippedSheets().get('pellisar-tc-14')!;
const predictions = predictionsOf(sheet);
const check = (id: string) => predictions.checks.get(id)!;
const volts = (id: string, value: number): LogBody => ({
  kind: 'reading',
  check: id,
  answer: { kind: 'number', value, shape: 'settled' },
  text: '',
});
const caseOf = (...bodies: readonly LogBody[]) => ({
  predictions,
  complaint: { symptoms: ['flood_green' as const], signs: {} },
  bench: replay(
    bodies.map((body, place) => ({ id: `line-${place}`, at: '2026-11-24T10:00:00Z', body })),
    [...sheet.stores.keys()],
  ),
  closed: new Map(),
  hourlyRate: 20,
});
const briefed = (...bodies: readonly LogBody[]) => followed(briefingOf(caseOf(...bodies)), predictions);
const live: LogBody = { kind: 'power', power: 'live' };

describe('what to do where no probe is asked for', () => {
  const found = [live, volts('kg-dc', 61), volts('kr-dc', 125), volts('kb-dc', 122)];

  it('is the likeliest repair with its chance', () => {
    const act = nextAction({ ...briefed(...found), next: 'act' })!;
    expect(act.label).toMatch(/^Act now · cures it with \d+ %$/);
    expect(act.title).toBe(briefed(...found).repairs[0]!.action.title);
  });

  it('names what no probe that is left tells from what the repair puts right', () => {
    const { repairs, suspects, ...rest } = briefed(...found);
    const act = (bits: number) =>
      nextAction({
        ...rest,
        next: 'act',
        repairs,
        suspects: likely,
        probes: rest.probes.map((one) => ({ ...one, bits })),
      })!;
    const { cures } = repairs[0]!.action;
    const other = suspects.find(({ fault }) => !cures.includes(fault.id))!;
    const likely = [{ ...other, probability: 0.4 }, ...suspects.filter((one) => one !== other)];
    expect(act(0.01).how).toContain(`tells it from ${other.fault.title} (40 %)`);
    expect(act(0.01).how).toContain('the repair shows which it was');
    expect(act(0.4).how).toMatch(/^No probe left is worth its minutes/);
  });

  it('is measuring again after a repair that is likely to have been the cure', () => {
    const repair = adviseOn(caseOf(...found)).repairs[0]!.action;
    const { id: action, title, listed, money, minutes } = repair;
    const after = briefed(
      ...found,
      { kind: 'power', power: 'unplugged' },
      { kind: 'repair', action, title, cures: listed, money, minutes, note: '' },
      live,
      volts('kg-dc', 124),
    );
    expect(after.next).toBe('verify');
    expect(nextAction(after)).toMatchObject({ button: 'Verify', title: 'Measure again what was wrong' });
    expect(nextAction({ ...after, switchings: 2 })).toMatchObject({
      title: 'Plug out, and on again',
      how: expect.stringContaining('2 times more') as string,
    });
  });

  it('is a search inside a block that no part of the sheet explains, and nothing where nothing is suspected', () => {
    const [first] = briefed(...found).repairs;
    const trace = { ...first!, action: { ...first!.action, method: 'trace' as const }, chance: 0.6 };
    expect(nextAction({ ...briefed(), next: 'act', repairs: [trace] })).toMatchObject({
      label: 'Look inside · in there with 60 %',
      button: 'Note what was found',
    });
    const bad = {
      part: 'R33',
      title: 'Resistor R33',
      said: '18 Ω: open',
      action: 'Fit a new resistor R33',
      entry: 'e1',
      minutes: 9,
      money: 0.1,
    };
    expect(nextAction({ ...briefed(), next: 'act', repairs: [trace], found: [bad] })).toMatchObject({
      label: 'Found bad, whatever else is',
      title: 'Fit a new resistor R33',
      how: expect.stringContaining('Resistor R33, 18 Ω: open') as string,
    });
    expect(nextAction({ ...briefed(), next: 'act', repairs: [] })).toBeUndefined();
    // A part that is not what the leading repair puts right is put right before it.
    const elsewhere = briefed(...found);
    const [leading] = elsewhere.repairs;
    expect(nextAction({ ...elsewhere, next: 'act', found: [bad, { ...bad, part: 'C9' }] })).toMatchObject({
      title: 'Fit a new resistor R33, and 1 more',
      how: expect.stringContaining(`next is “${leading!.action.title}”`) as string,
    });
    const dealtWith = elsewhere.suspects.find(({ fault }) => leading!.action.cures.includes(fault.id))!.fault.part;
    expect(nextAction({ ...elsewhere, next: 'act', found: [bad, { ...bad, part: dealtWith }] })!.title).toBe(
      leading!.action.title,
    );
    // What no sheet knows waits until it is said what it does.
    expect(
      nextAction({ ...elsewhere, next: 'act', found: [{ ...bad, putIn: 'part R33 18R feeds v180' }] })!.title,
    ).toBe(leading!.action.title);
  });
});

describe('a probe', () => {
  const advice = (more: Partial<ProbeAdvice>): ProbeAdvice => ({
    ...briefed(live).probes[0]!,
    saves: 0,
    bits: 0,
    ...more,
  });

  it('says why it comes first, the gravest reason first', () => {
    expect(whyProbe(advice({ doubt: 0.4, saves: 9 }))).toContain('take it again');
    expect(whyProbe(advice({ saves: 6.4, bits: 2 }))).toBe('saves about 6 min against repairing now');
    expect(whyProbe(advice({ saves: 0.4, bits: 0.8 }))).toBe('splits the suspects well for its time');
    expect(whyProbe(advice({ saves: 0.1, bits: 0.2 }))).toBe('tells a little');
  });

  it('says where, and what a good set gives there', () => {
    const { where, expected } = instruction(predictions, check('kg-dc'), caseOf(live).bench.context);
    expect(where).toBe(check('kg-dc').where);
    expect(expected).toMatch(/^\d+ V ±/);
  });

  it('offers words where it is no number, and a look every part it takes in', () => {
    expect(choicesFor(check('kg-dc'))).toEqual([]);
    const look = [...predictions.checks.values()].find(({ measure }) => measure === 'look')!;
    expect(choicesFor(look)).toEqual(['fine', ...look.point!.parts]);
    const [sign] = sheet.signs.keys();
    expect(choicesFor(check(sign!))).toEqual(['yes', 'weak', 'brief', 'no']);
  });
});

describe('a deeper look', () => {
  const shown = { ...briefed(live), next: 'probe' as const };
  const [front, second, third] = shown.probes;
  const ids = ({ probes }: Pick<typeof shown, 'probes'>) => probes.slice(0, 3).map(({ probe }) => probe.id);
  const look = (id: string, minutes: number) => ({
    level: 1,
    weighed: 1,
    moves: [
      { kind: 'probe' as const, id, minutes },
      { kind: 'probe' as const, id: front!.probe.id, minutes: 30 },
    ],
  });

  it('puts in front what saves minutes, and nothing that saves next to none', () => {
    expect(ids(reordered(shown, look(third!.probe.id, 20)))[0]).toBe(third!.probe.id);
    expect(reordered(shown, look(third!.probe.id, 29))).toBe(shown);
  });

  it('leaves the probe in front that somebody may be holding, and comes second', () => {
    const preferred = reordered(shown, look(third!.probe.id, 20));
    expect(ids(keepingFront(shown, preferred))).toEqual([front, third, second].map((one) => one!.probe.id));
    expect(keepingFront(shown, { ...preferred, next: 'act' })).toMatchObject({ next: 'probe' });
    expect(keepingFront({ ...shown, next: 'act' }, preferred)).toBe(preferred);
  });
});

describe('what to mind before power goes on', () => {
  const bad = { part: 'R33', title: 'Resistor R33', said: '', action: '', entry: 'e1', minutes: 9, money: 0.1 };
  const minded = (power: 'live' | 'unplugged', ...found: (typeof bad)[]) =>
    cautionsNow({
      ...caseOf().bench,
      sheet,
      check: check('kg-dc'),
      step: { kind: 'do', body: { kind: 'power', power }, title: '', done: '' },
      symptoms: [],
      harmNow: undefined,
      probe: undefined,
      found,
    }).join(' ');

  it('is a part that was found bad and not put right, and how many more', () => {
    expect(minded('live', bad)).toContain('Resistor R33 was found bad: put right before power goes on');
    expect(minded('live', bad, bad, bad)).toContain('Resistor R33 and 2 more were found bad');
    expect(minded('live')).not.toContain('found bad');
    expect(minded('unplugged', bad)).not.toContain('found bad');
  });
});
