import { takeInSchema } from '@/workshop/set';
import { predictionsOf } from '@/core/behaviour';
import { describe, expect, it } from 'vitest';
import { symptomTilesOf } from '@/core/diagnosis';
import { shippedSheets } from '@/sheets';
import { complaintFrom, nextSignState, signText } from './takeInModel';

const plasma = predictionsOf(shippedSheets().get('halvane-hp-42')!);
const tiles = symptomTilesOf(plasma);

describe('tiles at take-in', () => {
  it('stand for single symptoms, the commonest first', () => {
    expect(tiles.every(({ symptoms }) => symptoms.length === 1)).toBe(true);
    expect(tiles.map(({ weight }) => weight)).toEqual([...tiles.map(({ weight }) => weight)].sort((a, b) => b - a));
    expect([...complaintFrom(tiles, new Set(['pink', 'sparkle']), {}).symptoms].sort()).toEqual(['pink', 'sparkle']);
  });
});

describe('signs', () => {
  it('go through their answers and back to none', () => {
    const seen = [];
    let state = nextSignState(undefined);
    for (; state !== undefined; state = nextSignState(state)) seen.push(state);
    expect(seen).toEqual(['no', 'brief', 'weak', 'yes']);
    const buzz = plasma.model.sheet.signs.get('buzz')!;
    expect(signText(buzz, undefined)).toBe('Sustain buzz');
    expect(signText(buzz, 'brief')).toBe('Sustain buzz: then gone');
  });
});

describe('the form', () => {
  const form = {
    id: '4b4a2a76-5b0e-4c3c-9d1f-0a2b3c4d5e6f',
    title: ' Tea-room set ',
    place: '',
    owner: '',
    sheet: 'pellisar-tc-14',
    words: '',
    value: 60,
    limit: 20,
    label: { bplus: 112 },
    options: {},
    complaint: { symptoms: ['flood_green'], signs: { sound: 'no' } },
  };

  it('is taken and trimmed', () => {
    expect(takeInSchema.validateSync(form).title).toBe('Tea-room set');
  });

  it.each([
    [{ title: '  ' }, /give the set a name/],
    [{ title: 'x'.repeat(81) }, /at most 80/],
    [{ limit: -1 }, /cannot be below nothing/],
    [{ value: 'lots' }, /should be an amount/],
    [{ label: { bplus: 0 } }, /label values are volts/],
    [{ label: { bplus: 99999 } }, /label values are volts/],
    [{ complaint: { symptoms: ['teatime'], signs: {} } }, /symptoms/],
    [{ complaint: { symptoms: [], signs: {}, manner: 'on Sundays' } }, /manner must be one of/],
    [{ complaint: { symptoms: [], signs: { sound: 'loud' } } }, /answered with yes, weak, brief or no/],
    [{ id: '1' }, /uuid/i],
  ])('refuses %j with one message', (wrong, message) => {
    expect(() => takeInSchema.validateSync({ ...form, ...wrong })).toThrow(message);
  });
});
