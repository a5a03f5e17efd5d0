import { describe, expect, it } from 'vitest';
import { readSheet } from '../../sheet';
import { Predictions, compileSheet, liveCold } from '../../behaviour';
import { readEntry } from '../../entry';
import { judgeAnswer } from '../../reading';
import { smallSheet } from '../../../../tests/fixtures/smallSheet';

/** The small sheet with a retrace capacitor and a smoothing one that are measured in farads. */
const sheet = readSheet(
  smallSheet
    .replace(
      'Q1: { kind: mosfet',
      'C9: { kind: film, value: 8n2, faults: { drifted: {} } }, C8: { kind: electrolytic, value: 100u, faults: { dry: {} } }, Q1: { kind: mosfet',
    )
    .replace(
      'points:',
      'points:\n  c9: { measure: capacitance, parts: [C9], aliases: [C9] }\n  c8: { measure: capacitance, parts: [C8], aliases: [C8] }',
    ),
);
const predictions = new Predictions(compileSheet(sheet));
const cold = { ...liveCold, power: 'unplugged' } as const;
const judged = (line: string) => {
  const entry = readEntry(line, { sheet, checks: predictions.checks });
  if (entry.kind !== 'reading') throw new Error(`${line} is no reading`);
  return { ...judgeAnswer(predictions, entry.check, entry.answer, cold), answer: entry.answer };
};

describe('capacitance', () => {
  it('is typed as it is marked and judged by the tolerance of its kind', () => {
    expect(judged('C9 farads 8n2')).toMatchObject({
      mark: 'within',
      answer: { value: expect.closeTo(8.2e-9, 15) as number },
    });
    expect(judged('C9 farads 6n9').mark).toBe('low');
    expect(judged('C9 farads 11n').mark).toBe('high');
    // What is too little for a film capacitor is usual for an electrolytic one.
    expect(judged('C8 farads 84u').mark).toBe('within');
    expect(judged('C8 farads 40u').mark).toBe('low');
  });

  it('is refused in another unit, with what would be right', () => {
    expect(() => judged('C9 farads 12V')).toThrow(/8n2/);
  });
});
