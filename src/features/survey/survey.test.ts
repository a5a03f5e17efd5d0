import { surveyRows, typedPart } from '@/core/job';
import { predictionsOf } from '@/core/behaviour';
import { type LogEntry } from '@/core/log';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { linesOfPart, readingOfPart } from '@/core/entry';
import { bandsFor, partFigures, partWords, recordedFor } from './surveyModel';

const sheet = shippedSheets().get('pellisar-tc-14')!;
const log = (...lines: readonly string[]): LogEntry[] =>
  lines.map((line, index) => ({
    id: `line-${index}`,
    at: '2026-03-01T10:00:00Z',
    body: { kind: 'part', ref: line.split(' ')[0]!.toUpperCase(), line },
  }));

describe('a survey', () => {
  it('keeps what a part is marked with for the next reading of it', () => {
    const first = typedPart('R918 22R OL', sheet);
    if (first.kind !== 'part') throw new Error('no part');
    expect(typedPart('R918 21.8', sheet, [first])).toMatchObject({ kind: 'part', check: { marked: 22, read: 21.8 } });
    expect(typedPart('R918 21.8', sheet)).toMatchObject({ kind: 'wrong' });
  });

  it('takes a white deposit on a lamp for no band of a resistor', () => {
    expect(typedPart('LA1 lamp 5200 of 6000 white', sheet)).toMatchObject({
      kind: 'part',
      verdict: { mark: 'replace' },
      doubts: [],
    });
  });

  it('shows the newest first, and of a part measured twice the last reading', () => {
    const rows = surveyRows(log('R1 4k7 5k9', 'R2 1k 1k', 'R1 4k7 4k7', 'C421 esr 0.3'), sheet);
    expect(rows.map(({ check, verdict }) => [check.ref, verdict.mark])).toEqual([
      ['C421', 'fine'],
      ['R1', 'fine'],
      ['R2', 'fine'],
    ]);
  });

  it('keeps ESR and resistance of one name apart, and leaves out what was taken back', () => {
    const entries = log('T402 rings 3 good 10', 'R9 1k 2k');
    const back: LogEntry = {
      id: 'back',
      at: '2026-03-01T10:01:00Z',
      supersedes: 'line-1',
      body: { kind: 'withdrawn' },
    };
    expect(surveyRows([...entries, back], sheet).map(({ check }) => check.ref)).toEqual(['T402']);
  });

  it('points out the bands that fade, and draws those of a mark', () => {
    const typed = typedPart('R7 grey red red gold 9k9', sheet);
    if (typed.kind !== 'part') throw new Error(JSON.stringify(typed));
    expect(typed.doubts).toContain('grey red brown would be 820 Ω');
    expect(bandsFor(typed.check)).toEqual(['grey', 'red', 'red', 'gold']);
    expect(typedPart(' ', sheet)).toEqual({ kind: 'nothing' });
  });

  it.each([
    ['R201 13k1', '12 kΩ', '13.1 kΩ'],
    ['C421 8u2 esr 0.4', '10 µF 250 V', '8.2 µF · 0.4 Ω'],
    ['T402 rings 9 good 10', '10 rings', '9'],
    ['Q101 junction 0.6 OL', '', '0.6 / OL'],
    ['Q101 gain 40 usual 90', 'gain 90', '40'],
    ['LA1 lamp 5200 of 6000 dark', '6000 h', '5200 h'],
    ['FAN2 fan 61 of 90', '90 Hz', '61 Hz'],
  ])('%s should be %s and reads %s', (line, should, read) => {
    const typed = typedPart(line, sheet);
    if (typed.kind !== 'part') throw new Error(JSON.stringify(typed));
    expect(partFigures(typed.check)).toEqual({ should, read });
  });
});

describe('what is done about a part', () => {
  it.each([
    ['R9 4k7 2k', 'lift a leg'],
    ['T402 rings 6 good 10', 'free it'],
    ['FAN2 fan 0 of 90', 'check first'],
    ['R9 4k7 5k9', 'replace'],
  ])('%s: %s', (line, words) => {
    const typed = typedPart(line, sheet);
    if (typed.kind !== 'part') throw new Error(JSON.stringify(typed));
    expect(partWords(typed.check, typed.verdict)).toBe(words);
  });
});

describe('a survey and the sheet’s own checks', () => {
  const { checks } = predictionsOf(sheet);
  const reading = (line: string) => {
    const typed = typedPart(line, sheet);
    return typed.kind === 'part' ? readingOfPart(typed.check, typed.verdict, checks) : undefined;
  };
  it('are one where both ask for the same, unless the reading proves nothing', () => {
    expect(reading('R201 19k')).toMatchObject({ check: 'R201-ohms', answer: { value: 19_000 } });
    expect(reading('R201 4k')).toBeUndefined();
    expect(reading('R201 4k lifted')).toMatchObject({ check: 'R201-ohms' });
    expect(reading('R201 19k climbing')).toBeUndefined();
    expect(reading('R999 1k 3k')).toBeUndefined();
  });

  it('are recorded together, and taken back together; not while the set is live', () => {
    const typed = typedPart('R201 19k', sheet);
    if (typed.kind !== 'part') throw new Error('no part');
    expect(linesOfPart('R201 19k ', typed, checks, true)).toEqual([{ kind: 'part', ref: 'R201', line: 'R201 19k' }]);
    const bodies = linesOfPart('R201 19k', typed, checks, false);
    expect(bodies).toHaveLength(2);
    const entries = [...bodies, { kind: 'warmth', warm: true } as const].map((body, index): LogEntry => ({
      id: `line-${index}`,
      at: '2026-03-01T10:00:00Z',
      body,
    }));
    const [row] = surveyRows(entries, sheet);
    expect(recordedFor(row!, entries)).toEqual(['line-0', 'line-1']);
    expect(recordedFor(row!, [entries[0]!, entries[2]!])).toEqual(['line-0']);
  });
});
