import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { liveCold, predictionsOf } from '../../behaviour';
import { openSheet } from '../../sheet';
import { likelihood, outlierLikelihood, usualOutlierChance } from './likelihood';
import { agree, likelihoodOfStanding } from './standing';

const predictions = predictionsOf(openSheet(shippedSheets().get('generic-crt-mono')!));
const { faults } = predictions.model.sheet;
const at = (check: string) => {
  const found = predictions.checks.get(check)!;
  return { row: predictions.row(found, liveCold), standard: predictions.standard(found, liveCold) };
};
const smeared = { kind: 'picture', symptoms: ['smeared'] } as const;
const read = (answer: Parameters<typeof likelihood>[0]) => ({ answer, outlierChance: usualOutlierChance });

describe('a reading that stands as it stood before a repair', () => {
  const { row, standard } = at('picture');
  const standing = (fault: string | undefined, borneOut: number) => {
    const expected = row(fault === undefined ? undefined : faults.get(fault)!);
    const fresh = likelihood(smeared, expected, standard);
    return { fresh, again: likelihoodOfStanding(read(smeared), borneOut, expected, standard, fresh) };
  };

  it('costs what foresaw it next to nothing', () => {
    expect(standing('COUP-C.dry', 0).again).toBeGreaterThan(0.85);
  });

  it('costs what may look like anything once, and hardly again', () => {
    const { fresh, again } = standing('tuner?.anything', 0);
    expect(fresh).toBeLessThan(0.1);
    expect(again).toBeGreaterThan(10 * fresh);
    expect(standing('tuner?.anything', 3).again).toBeGreaterThan(again);
  });

  it('is one more slip where it never was anything else', () => {
    for (const borneOut of [0, 1, 5]) {
      const { again, fresh } = standing('HEATER-R.open', borneOut);
      expect(fresh).toBeLessThanOrEqual(outlierLikelihood(smeared, standard, usualOutlierChance));
      expect(again).toBeCloseTo(fresh, 12);
    }
  });

  it('weighs the surer, the oftener it stood, and never more than a sure repetition', () => {
    const { row: volts, standard: ofVolts } = at('vhi-dc');
    const ids = [...faults.keys()].filter((_, index) => index % 9 === 0);
    fc.assert(
      fc.property(fc.constantFrom(...ids), fc.double({ min: 1, max: 200, noNaN: true }), (id, value) => {
        const answer = { kind: 'number', value, shape: 'settled' } as const;
        const expected = volts(faults.get(id)!);
        const fresh = Math.min(likelihood(answer, expected, ofVolts), 1 / (0.2 * value));
        const of = (borneOut: number) => likelihoodOfStanding(read(answer), borneOut, expected, ofVolts, fresh);
        expect(of(1)).toBeGreaterThanOrEqual(of(0) - 1e-12);
        expect(of(4)).toBeGreaterThanOrEqual(of(1) - 1e-12);
        expect(of(0)).toBeGreaterThanOrEqual(fresh - 1e-12);
        expect(of(4)).toBeLessThanOrEqual(1 / (0.2 * value) + 1e-12);
      }),
    );
  });
});

describe('what may look like anything', () => {
  it('never leaves a picture normal', () => {
    const { row, standard } = at('picture');
    const normal = likelihood(
      { kind: 'picture', symptoms: ['normal'] },
      row(faults.get('supply?.anything')!),
      standard,
    );
    expect(normal).toBeCloseTo(outlierLikelihood(smeared, standard, usualOutlierChance), 6);
  });
});

describe('two readings', () => {
  it('say the same within a tenth, in the same words, or in the same picture', () => {
    const volts = (value: number) => ({ kind: 'number', value, shape: 'settled' }) as const;
    expect(agree(volts(100), volts(91))).toBe(true);
    expect(agree(volts(100), volts(85))).toBe(false);
    expect(agree(volts(Infinity), volts(Infinity))).toBe(true);
    expect(agree(smeared, { kind: 'picture', symptoms: ['normal'] })).toBe(false);
  });
});
