import { describe, expect, it } from 'vitest';
import { predictionsOf } from '@/core/behaviour';
import { type Case } from '@/core/diagnosis';
import { type LogBody, type LogEntry, replay } from '@/core/log';
import { shippedSheets } from '@/sheets';
import { badParts, fittedLine, fittedRefs, kitsOf, spokenPlace, valueOf } from './kitModel';

const sheet = shippedSheets().get('halvane-hp-42')!;
const predictions = predictionsOf(sheet);

function job(...bodies: readonly LogBody[]): { readonly job: Case; readonly log: readonly LogEntry[] } {
  const log = bodies.map((body, index): LogEntry => ({ id: `line-${index}`, at: '2026-03-01T10:00:00Z', body }));
  return {
    log,
    job: {
      predictions,
      complaint: { symptoms: [], signs: {} },
      bench: replay(log, [...sheet.stores.keys()]),
      closed: new Map(),
      hourlyRate: 18,
    },
  };
}
const surveyed = (line: string): LogBody => ({ kind: 'part', ref: line.split(' ')[0]!, line });
const bad = (...bodies: readonly LogBody[]) => {
  const { job: own, log } = job(...bodies);
  return badParts(own, log);
};

describe('what is to be replaced', () => {
  it('is what the survey finds bad, with its mark where no sheet knows it; what is fine is none', () => {
    expect(
      bad(surveyed('C532 esr 9'), surveyed('C77 470u 25V esr 12'), surveyed('R901 4k7 5k9'), surveyed('C547 esr 0.2')),
    ).toEqual([
      { ref: 'C532', kind: 'electrolytic', mark: expect.stringContaining('47µF') as string },
      { ref: 'C77', kind: 'electrolytic', mark: '470µF 25V' },
      { ref: 'R901', kind: 'resistor', mark: '4.7kΩ' },
    ]);
  });

  it('is what was read bad at the bench', () => {
    const looked: LogBody = {
      kind: 'reading',
      check: [...predictions.checks.values()].find(
        ({ measure, point }) => measure === 'esr' && point?.parts[0] === 'C547',
      )!.id,
      answer: { kind: 'number', value: 12, shape: 'settled' },
      text: '12',
    };
    expect(bad(looked)).toEqual([{ ref: 'C547' }]);
  });
});

describe('the list for fitting', () => {
  const kits = kitsOf(sheet, [{ ref: 'C532' }, { ref: 'C77', kind: 'electrolytic', mark: '470u 25V' }]);
  const [known, unknown] = kits.bad.places;

  it('records a repair, whether the sheet knows the part or not, and finds both again', () => {
    const lines = [fittedLine(known!, sheet), fittedLine(unknown!, sheet)];
    expect(lines).toMatchObject([
      { kind: 'repair', action: 'replace:C532', note: valueOf(known!) },
      { kind: 'repair', action: 'replace:C77', title: 'Fit a new C77', cures: [], note: 'C 470µF 25V electrolytic' },
    ]);
    const { job: own, log } = job(...lines);
    expect([...fittedRefs(own)].sort()).toEqual(['C532', 'C77']);
    // It stays on the list, ticked.
    expect(badParts(own, log).map(({ ref }) => ref)).toEqual(['C532', 'C77']);
  });

  it('reads a place aloud with its value and what to mind', () => {
    expect(spokenPlace(known!)).toContain('The print is the wrong way round');
    expect(spokenPlace(unknown!)).toBe('C 7 7. C 470µF 25V electrolytic. Mind its polarity.');
  });
});
