import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, liveCold, Predictions } from '../behaviour';
import { indistinguishable } from '../diagnosis';
import { gaussian, seeded } from '../statistics';
import { answerFrom, hunt, nameFault } from '.';

describe('random sources', () => {
  it('repeat themselves for a seed and spread as they should', () => {
    const draw = (seed: number) => Array.from({ length: 4000 }, seeded(seed));
    expect(draw(3)).toEqual(draw(3));
    const random = seeded(5);
    const sample = Array.from({ length: 4000 }, () => gaussian(random));
    const mean = sample.reduce((sum, one) => sum + one, 0) / sample.length;
    const variance = sample.reduce((sum, one) => sum + (one - mean) ** 2, 0) / sample.length;
    expect(mean).toBeCloseTo(0, 1);
    expect(variance).toBeCloseTo(1, 1);
  });
});

describe('simulated answers', () => {
  it('scatter round what is expected by the noise asked for', () => {
    const predictions = new Predictions(compileSheet(shippedSheets().get('halvane-hp-42')!));
    const expectation = predictions.expectation(undefined, predictions.checks.get('vs-dc')!, liveCold);
    const random = seeded(2);
    const values = Array.from({ length: 500 }, () => answerFrom(expectation, 0.01, random)).map((answer) =>
      answer.kind === 'number' ? answer.value : NaN,
    );
    expect(values.reduce((sum, value) => sum + value, 0) / 500).toBeCloseTo(187, 0);
    expect(Math.max(...values)).toBeLessThan(187 * 1.05);
  });
});

const sheets = [...shippedSheets().values()].map(
  (sheet) => [sheet.title, new Predictions(compileSheet(sheet))] as const,
);
const hard = { noise: 0.01, misreads: 0.05 };

describe('hunting with noise and a slip in twenty readings', () => {
  it('names at least 97 % of faults, or the group no test tells apart, on the shipped sheets together', () => {
    const named = sheets.flatMap(([, predictions]) => {
      const groups = indistinguishable(predictions);
      return [...predictions.model.sheet.faults.values()]
        .filter((_, index) => index % 5 === 0)
        .map((fault, index) =>
          groups
            .get(nameFault(predictions, fault, groups, { ...hard, random: seeded(500 + index) }).named)!
            .has(fault.id),
        );
    });
    expect(named.filter(Boolean).length / named.length).toBeGreaterThanOrEqual(0.97);
  }, 120_000);

  it('cures every fault, in far fewer minutes than going down the list', () => {
    const minutes = (policy: 'tovrik' | 'checklist') => {
      const hunts = sheets.flatMap(([, predictions]) =>
        [...predictions.model.sheet.faults.values()]
          .filter((_, index) => index % 40 === 5)
          .map((fault, index) => hunt(predictions, fault, { ...hard, policy, random: seeded(100 + index) })),
      );
      expect(hunts.filter(({ cured }) => !cured)).toEqual([]);
      return hunts.reduce((sum, one) => sum + one.minutes, 0);
    };
    expect(minutes('tovrik')).toBeLessThan(0.6 * minutes('checklist'));
  }, 120_000);
});
