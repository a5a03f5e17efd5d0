import { replay } from '@/core/log';
import { describe, expect, it } from 'vitest';
import { compileSheet, Predictions } from '@/core/behaviour';
import { nearestFromStock } from '@/core/parts';
import { shippedSheets } from '@/sheets';
import { type Known, knownOf } from './known';
import { noteOf, readFields, reckon as reckonWith, type Texts } from './reckon';
import { type Reckoning, reckonings } from './reckonings';

const reckon = (one: Reckoning, texts: Texts, known?: readonly Known[]) =>
  reckonWith(one, readFields(one, texts, known));
const named = (id: string): Reckoning => reckonings.find((one) => one.id === id)!;
const answer = (id: string, texts: Record<string, string>) => {
  const found = reckon(named(id), texts);
  if (found.kind !== 'answer') throw new Error(JSON.stringify(found));
  return Object.fromEntries(found.lines.map(({ label, text }) => [label, text]));
};

describe('every reckoning', () => {
  it.each(reckonings.map((one) => [one.title, one] as const))('%s answers its own examples', (_, one) => {
    const found = reckon(one, Object.fromEntries(one.fields.map(({ key, example }) => [key, example])));
    expect(found.kind).toBe('answer');
    if (found.kind !== 'answer') return;
    for (const { text } of found.lines) expect(text).not.toMatch(/NaN|undefined|OL|\?/);
  });

  it.each(reckonings.map((one) => [one.title, one] as const))('%s waits for what is missing', (_, one) => {
    expect(reckon(one, {}).kind).toBe('waiting');
  });
});

describe('reckoning', () => {
  it('takes out what the meter took: two equal resistances halve', () => {
    expect(answer('meter-load', { read: '50', source: '10M', meter: '10M' })).toEqual({
      'Without the meter': '100 V',
      'It took': '−50.0 %',
    });
    expect(reckon(named('meter-load'), { read: '50', source: '1M', meter: '0' })).toMatchObject({ kind: 'wrong' });
  });

  it('discharges by RC·ln(V0/V) and says that only a reading proves it', () => {
    const given = { farads: '100u', volts: '300', ohms: '1k' };
    const lines = answer('discharge', given);
    expect(lines['Time to 5 V']).toBe('409 ms');
    expect(lines['Energy']).toBe('4.50 J');
    expect(lines['Then']).toMatch(/proven only by a reading/);
  });

  it('warns of X-rays where a capacitor is lost, and not where one is added', () => {
    const given = { supply: '112', inductance: '900u', capacitance: '11n', line: '15.625k', limit: '1500' };
    expect(answer('line-output', { ...given, added: '-4n' })).toHaveProperty('X-rays');
    expect(answer('line-output', { ...given, added: '2n2' })).not.toHaveProperty('X-rays');
  });

  it('names the taps of a chain from the top', () => {
    expect(answer('chain', { ohms: '1M 1M 2M', volts: '400' })).toMatchObject({
      Together: '4 MΩ',
      'After 1 MΩ': '200 V',
    });
  });

  it('says which field is wrong, and what would be right', () => {
    expect(reckon(named('discharge'), { farads: '100V', volts: '300', ohms: '1k' })).toMatchObject({
      kind: 'wrong',
      field: 'farads',
      message: 'Capacitance is in farads, not volts',
    });
    expect(reckon(named('bleed'), { first: '90', second: '120', apart: '5' })).toMatchObject({
      kind: 'wrong',
      message: '120 V after 90 V is no decay',
    });
  });

  it('tells bands and codes both ways, and the bands that may be taken for others', () => {
    expect(answer('marks', { ohms: '4k7' })).toMatchObject({
      'Bands, 5 %': 'yellow, violet, red, gold',
      'Bands, 1 %': 'yellow, violet, black, brown, brown',
      Printed: '472',
    });
    expect(answer('marks', { ohms: '1k2' })['Faded, it may be taken for']).toContain('1.1 kΩ');
    expect(answer('marks', { code: '104' })).toEqual({ 'A resistor': '100 kΩ', 'A capacitor': '100 nF' });
    expect(reckon(named('marks'), { code: '7' })).toMatchObject({ kind: 'wrong', message: /no printed code/ });
  });

  it('keeps an answer with its inputs in one line', () => {
    const texts = { in: '1', out: '0.5' };
    const found = reckon(named('decibels'), texts);
    expect(noteOf(named('decibels'), texts, { taken: {} }, found.kind === 'answer' ? found.lines : [])).toBe(
      'Decibels (Volts in 1, Volts out 0.5): Gain -6.0 dB; Ratio × 0.5',
    );
  });
});

describe('names of the set in the reckoner', () => {
  const predictions = new Predictions(compileSheet(shippedSheets().get('halvane-hp-42')!));
  const { sheet } = predictions.model;
  const at = '2026-01-05T10:00:00.000Z';
  const log = [
    { id: 'one', at, body: { kind: 'power', power: 'live' } },
    {
      id: 'two',
      at,
      body: { kind: 'reading', check: 'vs-dc', answer: { kind: 'number', value: 171, shape: 'settled' }, text: '171' },
    },
  ] as const;
  const known = knownOf({ predictions, bench: replay(log, [...sheet.stores.keys()]) });
  const [store] = [...sheet.stores.values()];

  it('stand for their figures, and fill what follows', () => {
    const texts = { farads: store!.id.toLowerCase(), ohms: '2k2' };
    const read = readFields(named('discharge'), texts, known);
    expect(read.typed).toMatchObject({ farads: [store!.farads], volts: [store!.volts] });
    expect(read.taken['volts']).toContain(`of ${store!.id}`);
    const found = reckonWith(named('discharge'), read);
    const plain = reckon(named('discharge'), {
      farads: String(store!.farads),
      volts: String(store!.volts),
      ohms: '2k2',
    });
    expect(found).toEqual(plain);
    expect(noteOf(named('discharge'), texts, read, [])).toMatch(
      new RegExp(`Capacitance ${texts.farads} \\(\\d+ .F\\)`),
    );
  });

  it('are points by their latest reading, and parts in lists', () => {
    const [one, other] = [...sheet.parts.values()].filter(
      ({ kind, size }) => kind === 'resistor' && size !== undefined,
    );
    const list = readFields(named('side-by-side'), { ohms: `${one!.id} 1k ${other!.id}`, volts: 'vs' }, known);
    expect(list.typed).toEqual({ ohms: [one!.size, 1000, other!.size], volts: [171] });
  });

  it('that have no figure in the unit say which they have', () => {
    const found = reckon(named('discharge'), { farads: 'vs', volts: '3', ohms: '1k' }, known);
    expect(found).toEqual({
      kind: 'wrong',
      field: 'farads',
      message: 'vs is known in volts, and Capacitance is in farads',
    });
  });
});

describe('a value from the stock', () => {
  it('is the best of one, two and three pieces, each used once', () => {
    const stock = [10_000, 10_000, 4700, 33_000];
    const [one, two, three] = nearestFromStock(14_700, stock);
    expect(one).toEqual({ how: 'alone', values: [10_000], together: 10_000 });
    expect(two).toEqual({ how: 'series', values: [10_000, 4700], together: 14_700 });
    expect(three!.values).toHaveLength(3);
    expect(nearestFromStock(5000, stock)[1]).toMatchObject({ how: 'parallel', values: [10_000, 10_000] });
    expect(nearestFromStock(5000, [10_000])).toHaveLength(1);
  });

  it('refuses a stock too large to try, and pieces of nothing', () => {
    expect(() =>
      nearestFromStock(
        1000,
        Array.from({ length: 61 }, () => 1),
      ),
    ).toThrow('60 or fewer');
    expect(() => nearestFromStock(1000, [0])).toThrow('piece 1 must be positive');
  });
});
