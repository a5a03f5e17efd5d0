import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, Predictions } from '../../behaviour';
import { type LogBody, type LogEntry, replay } from '../../log';
import { openSheet } from '../../sheet';
import { sum, sumOf } from '../../statistics';
import { briefingOf, type Case, posteriorOf } from '..';

const predictions = new Predictions(compileSheet(openSheet(shippedSheets().get('halvane-hp-42')!)));
const read = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape: 'settled' },
  text: '',
});
const lend: LogBody = { kind: 'intervention', change: 'donors', target: 'scan', on: true };

function caseOf(...bodies: LogBody[]): Case {
  const log = [{ kind: 'power', power: 'live' } as const, ...bodies].map((body, index): LogEntry => ({
    id: `e${index}`,
    at: '2026-03-01T10:00:00Z',
    body,
  }));
  return {
    predictions,
    complaint: { symptoms: [], signs: {} },
    bench: replay(log, []),
    closed: new Map(),
    hourlyRate: 18,
  };
}

/** What is suspected of the set’s own scan board. */
const ofOwnBoard = (job: Case) =>
  sumOf(posteriorOf(job).suspects, ({ fault, probability }) =>
    predictions.model.sheet.parts.get(fault.part)!.board === 'scan' ? probability : 0,
  );

const own = [read('vs-dc', 187), read('vset-dc', 60)];

describe('a donor’s board', () => {
  it('is weighed only where one was tried', () => {
    const { badDonors, hypotheses } = posteriorOf(caseOf(...own));
    expect(badDonors.size).toBe(0);
    expect(hypotheses.filter(({ donor }) => donor)).toEqual([]);
  });

  it('that reads as the own one did may be bad itself: it clears nothing, and that is said', () => {
    const job = caseOf(...own, lend, read('vset-dc', 60), read('vscan-dc', -168));
    const posterior = posteriorOf(job);
    expect(posterior.badDonors.get('scan')).toBeGreaterThan(0.4);
    expect(sum(posterior.weights)).toBeCloseTo(1, 9);
    expect(ofOwnBoard(job)).toBeGreaterThan(0.7);
    expect(briefingOf(job).badDonors).toMatchObject([{ board: 'Scan sustain' }]);
  });

  it('that reads right where the own one did not is good, and convicts the own one', () => {
    const job = caseOf(...own, lend, read('vset-dc', 192), read('vscan-dc', -168));
    expect(posteriorOf(job).badDonors.get('scan')).toBeLessThan(0.08);
    expect(ofOwnBoard(job)).toBeGreaterThan(ofOwnBoard(caseOf(...own)));
    expect(briefingOf(job).badDonors).toEqual([]);
  });
});
