import { type LogBody } from '../log';
import { describe, expect, it } from 'vitest';
import { compileSheet, Predictions } from '../behaviour';
import { shippedSheets } from '../../sheets';
import { usualReadings } from '.';

const predictions = new Predictions(compileSheet(shippedSheets().get('pellisar-tc-14')!));
const live: LogBody = { kind: 'power', power: 'live' };
const repair: LogBody = { kind: 'repair', action: 'a', title: '', cures: [], money: 0, minutes: 0, note: '' };
const read = (check: string, value: number, shape: 'settled' | 'brief' = 'settled'): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape },
  text: '',
});
const job = (title: string, closedAt: string, ...bodies: readonly LogBody[]) => ({
  title,
  closedAt,
  log: bodies.map((body, index) => ({ id: `${title}-${closedAt}-${index}`, at: closedAt, body })),
});
const usual = (...jobs: readonly ReturnType<typeof job>[]) => usualReadings(predictions, jobs, 'Tea-room set');

describe('what the shop’s own sets read', () => {
  it('is the last reading after the cure, between the least and the most', () => {
    const found = usual(
      job('One', '2025-01-01', live, read('kg-dc', 62), repair, read('kg-dc', 90), read('kg-dc', 118)),
      job('Two', '2025-02-01', live, read('kg-dc', 178), repair, read('kg-dc', 124)),
      job('Three', '2025-03-01', live, read('kg-dc', 60)),
    );
    expect(found.get('kg-dc')).toEqual({ count: 2, low: 118, high: 124 });
    expect(found.get('kr-dc')).toBeUndefined();
  });

  it('tells what this very set read when it was here last, cured or not', () => {
    const found = usual(
      job('tea-room SET ', '2024-05-01', live, read('kg-dc', 119)),
      job('Tea-room set', '2025-05-01', live, read('kg-dc', 64), repair, read('kg-dc', 121)),
    );
    expect(found.get('kg-dc')).toEqual({ count: 1, low: 121, high: 121, before: { value: 121, at: '2025-05-01' } });
  });

  it('leaves out what was read behind a lamp, with something pulled or lifted, brief, or open', () => {
    const connector = [...predictions.model.sheet.connectors.keys()][0]!;
    const found = usual(
      job('One', '2025-01-01', live, repair, { kind: 'lamp', fitted: true }, read('kg-dc', 99)),
      job('Two', '2025-01-02', live, repair, { kind: 'connector', connector, pulled: true }, read('kg-dc', 1)),
      job('Three', '2025-01-03', live, repair, read('kg-dc', 50, 'brief'), read('kg-dc', Infinity)),
    );
    expect(found.size).toBe(0);
  });

  it('says nothing of rails that go by the label of each set', () => {
    const plasma = new Predictions(compileSheet(shippedSheets().get('halvane-hp-42')!));
    const closed = [job('One', '2025-01-01', live, repair, read('vs-dc', 187), read('v15-dc', 15.1))];
    expect([...usualReadings(plasma, closed, 'x').keys()]).toEqual(['v15-dc']);
  });
});
