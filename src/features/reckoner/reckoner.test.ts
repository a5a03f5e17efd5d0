import { describe, expect, it } from 'vitest';
import { noteOf, reckon } from './reckon';
import { type Reckoning, reckonings } from './reckonings';

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
    expect(noteOf(named('decibels'), texts, found.kind === 'answer' ? found.lines : [])).toBe(
      'Decibels (Volts in 1, Volts out 0.5): Gain -6.0 dB; Ratio × 0.5',
    );
  });
});
