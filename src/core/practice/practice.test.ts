import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, liveCold, Predictions } from '../behaviour';
import { gaussian, seeded } from '../statistics';
import { openSheet } from '../sheet';
import { answerFrom, hunt } from '.';

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
  (sheet) => [sheet.title, new Predictions(compileSheet(openSheet(sheet)))] as const,
);
const listed = new Set([...shippedSheets().values()].flatMap(({ faults }) => [...faults.keys()]));
const hard = { noise: 0.01, misreads: 0.05 };

describe('hunting with noise and a slip in twenty readings', () => {
  it('cures each fault of a round through all sheets, in far fewer minutes than going down the list', () => {
    const minutes = (policy: 'tovrik' | 'checklist') => {
      const hunts = sheets.flatMap(([, predictions]) =>
        [...predictions.model.sheet.faults.values()]
          .filter(({ id }) => listed.has(id))
          .filter((_, index) => index % 100 === 5)
          .map((fault, index) => hunt(predictions, fault, { ...hard, policy, random: seeded(100 + index) })),
      );
      expect(hunts.filter(({ cured }) => !cured)).toEqual([]);
      return hunts.reduce((sum, one) => sum + one.minutes, 0);
    };
    expect(minutes('tovrik')).toBeLessThan(0.6 * minutes('checklist'));
  }, 400_000);
});
