import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, Predictions } from '../behaviour';
import { indistinguishable } from '../diagnosis';
import { openSheet } from '../sheet';
import { evaluateIn, worlds } from '.';

describe('worlds that no sheet describes', () => {
  const some = ['generic-crt-colour', 'halvane-hp-42'].map((id) => shippedSheets().get(id)!);
  const groups = new Map(
    some.map((sheet) => [sheet.id, indistinguishable(new Predictions(compileSheet(openSheet(sheet))))]),
  );
  const results = (world: keyof typeof worlds, seeds: readonly number[], every: number) =>
    seeds.flatMap((seed) =>
      some.map((sheet) => evaluateIn(sheet, worlds[world], groups.get(sheet.id)!, { seed, every, runs: 1 })),
    );
  const over = (parts: ReturnType<typeof results>, pick: (one: (typeof parts)[number]) => number) =>
    parts.reduce((sum, one) => sum + one.jobs * pick(one), 0) / parts.reduce((sum, one) => sum + one.jobs, 0);

  it('a culprit that no sheet lists is found in its block, and no listed one accused for sure', () => {
    const unlisted = results('unlisted', [3, 5], 28);
    expect(over(unlisted, (one) => one.blockWithinTwo)).toBeGreaterThanOrEqual(0.85);
    expect(over(unlisted, (one) => one.wrongAndSure)).toBeLessThanOrEqual(0.1);
    expect(over(unlisted, (one) => one.cured)).toBeGreaterThanOrEqual(0.9);
  }, 400_000);

  it('what is listed is named as surely as if nothing else could be wrong', () => {
    const listed = results('listed', [3], 14);
    expect(over(listed, (one) => one.named)).toBeGreaterThanOrEqual(0.9);
    expect(over(listed, (one) => one.cured)).toBe(1);
  }, 400_000);
});
