import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, liveCold, Predictions } from '../behaviour';
import { indistinguishable } from '../diagnosis';
import { gaussian, seeded } from '../statistics';
import { openSheet } from '../sheet';
import { answerFrom, evaluateIn, hunt, worlds } from '.';

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

describe('worlds that no sheet describes', () => {
  const some = ['generic-crt-colour', 'halvane-hp-42'].map((id) => shippedSheets().get(id)!);
  const groups = new Map(some.map((sheet) => [sheet.id, indistinguishable(new Predictions(compileSheet(sheet)))]));
  const results = (world: keyof typeof worlds, seeds: readonly number[]) =>
    seeds.flatMap((seed) =>
      some.map((sheet) => evaluateIn(sheet, worlds[world], groups.get(sheet.id)!, { seed, every: 14, runs: 1 })),
    );
  const over = (parts: ReturnType<typeof results>, pick: (one: (typeof parts)[number]) => number) =>
    parts.reduce((sum, one) => sum + one.jobs * pick(one), 0) / parts.reduce((sum, one) => sum + one.jobs, 0);

  it('a culprit that no sheet lists is found in its block, and no listed one accused for sure', () => {
    const unlisted = results('unlisted', [3, 5]);
    expect(over(unlisted, (one) => one.blockWithinTwo)).toBeGreaterThanOrEqual(0.85);
    expect(over(unlisted, (one) => one.wrongAndSure)).toBeLessThanOrEqual(0.1);
    expect(over(unlisted, (one) => one.cured)).toBeGreaterThanOrEqual(0.9);
  }, 400_000);

  it('what is listed is named as surely as if nothing else could be wrong', () => {
    const listed = results('listed', [3]);
    expect(over(listed, (one) => one.named)).toBeGreaterThanOrEqual(0.9);
    expect(over(listed, (one) => one.cured)).toBe(1);
  }, 400_000);
});
