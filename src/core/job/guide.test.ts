import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../behaviour';
import { type LogBody, replay } from '../log';
import { guideStep, guideSteps, takingIn } from '.';

const sheet = shippedSheets().get('pellisar-tc-14')!;
const read = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape: 'settled' },
  text: '',
});
const at = (...bodies: readonly LogBody[]) =>
  guideStep({
    predictions: predictionsOf(sheet),
    complaint: { symptoms: ['flood_green'], signs: {} },
    bench: replay(
      bodies.map((body, line) => ({ id: `line-${line}`, at: '2026-11-24T10:00:00Z', body })),
      [...sheet.stores.keys()],
    ),
    closed: new Map(),
    hourlyRate: 20,
  }).at;

describe('the guide of a first job', () => {
  it('goes with the record, step by step, and back where it is not proven', () => {
    const live: LogBody = { kind: 'power', power: 'live' };
    const repair: LogBody = {
      kind: 'repair',
      action: 'replace:R201',
      title: '',
      cures: ['R201.drifted'],
      money: 0,
      minutes: 7,
      note: '',
    };
    expect(takingIn.at).toBe(1);
    expect(at()).toBe(2);
    expect(at(live)).toBe(2);
    expect(at(live, read('kg-dc', 61))).toBe(3);
    expect(at(live, read('kg-dc', 61), repair)).toBe(4);
    expect(at(live, read('kg-dc', 61), repair, live, read('kg-dc', 60))).toBe(4);
    const right: LogBody = {
      kind: 'reading',
      check: 'picture',
      answer: { kind: 'picture', symptoms: ['normal'] },
      text: '',
    };
    expect(at(live, read('kg-dc', 61), repair, live, right, read('kg-dc', 121))).toBe(guideSteps);
  });
});
