import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../behaviour';
import { readEntry } from '../entry';
import { type LogEntry, replay } from '../log';
import { judgeAnswer } from '../reading';
import { type Case, posteriorOf } from '.';

const sheet = shippedSheets().get('halvane-hp-42')!;
const predictions = predictionsOf(sheet);
const after = (...lines: readonly string[]): Case => {
  const log: LogEntry[] = [{ id: 'on', at: '2026-03-01T10:00:00Z', body: { kind: 'power', power: 'live' } }];
  for (const line of lines) {
    const entry = readEntry(line, { sheet, checks: predictions.checks });
    if (entry.kind !== 'reading') throw new Error(`${line} is no reading`);
    const { check, answer } = entry;
    log.push({ id: line, at: '2026-03-01T10:00:00Z', body: { kind: 'reading', check: check.id, answer, text: line } });
  }
  return {
    predictions,
    complaint: { symptoms: ['dark'], signs: {} },
    bench: replay(log, [...sheet.stores.keys()]),
    closed: new Map(),
    hourlyRate: 20,
  };
};

describe('a code that no sheet lists', () => {
  it('is a code whose meaning is unknown, and no misreading', () => {
    const job = after('blinks 19');
    const [reading] = job.bench.readings;
    const check = predictions.checks.get('blinks')!;
    expect(judgeAnswer(predictions, check, reading!.answer, reading!.context).words).toBe('a code, meaning unknown');
    expect(posteriorOf(job).doubts).toEqual([]);
  });

  it('moves no suspect, where one that is listed does', () => {
    const leaders = (job: Case) => posteriorOf(job).suspects.map(({ fault, probability }) => [fault.id, probability]);
    expect(leaders(after('blinks 19'))).toEqual(leaders(after()));
    expect(leaders(after('blinks 2'))).not.toEqual(leaders(after()));
  });
});
