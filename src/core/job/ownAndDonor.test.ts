import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../behaviour';
import { type Case } from '../diagnosis';
import { type LogBody, type LogEntry, replay } from '../log';
import { ownAndDonor } from '.';

const predictions = predictionsOf(shippedSheets().get('halvane-hp-42')!);
const read = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape: 'settled' },
  text: '',
});
const lend: LogBody = { kind: 'intervention', change: 'donors', target: 'scan', on: true };

function caseOf(...bodies: LogBody[]): Case {
  const log = bodies.map((body, index): LogEntry => ({ id: `e${index}`, at: '2026-03-01T10:00:00Z', body }));
  return {
    predictions,
    complaint: { symptoms: [], signs: {} },
    bench: replay(log, []),
    closed: new Map(),
    hourlyRate: 18,
  };
}

const on: LogBody = { kind: 'power', power: 'live' };
const own = [on, read('vs-dc', 187), read('vset-dc', 60)];

describe('own and donor', () => {
  it('stand side by side, with what is still to be read with the donor’s', () => {
    const [tried] = ownAndDonor(caseOf(...own, read('vscan-dc', -40), lend, read('vset-dc', 192)));
    expect(tried).toMatchObject({ board: 'Scan sustain', isIn: true });
    expect(tried!.rows.map(({ check, own: mine, donor }) => [check.id, mine?.said, donor?.said])).toEqual([
      ['vset-dc', '60 V', '192 V'],
      ['vscan-dc', '-40 V', undefined],
    ]);
  });

  it('are told of no board that none was tried for', () => {
    expect(ownAndDonor(caseOf(...own))).toEqual([]);
  });
});
