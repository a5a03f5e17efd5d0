import { describe, expect, it } from 'vitest';
import { seeded, sum, sumOf } from '../../statistics';
import { type Ask, asksOf } from './offers';
import { type BasketProblem } from './problem';
import { relaxed } from './relaxation';

const missing = 100;

function drawn(seed: number): BasketProblem {
  const random = seeded(seed);
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  const lines = ['can', 'chip', 'fuse'].map((id) => ({ id, needs: whole(1, 2), by: undefined, job: undefined }));
  const suppliers = ['Hollin', 'Marrack'].map((id) => ({
    id,
    postage: 0,
    freeFrom: undefined,
    minimum: whole(3, 12) as number | undefined,
    days: 1,
    offers: lines.map((line) => {
      const price = whole(5, 50) / 10;
      const breaks = [
        { from: 1, price },
        { from: 3, price: price / 2 },
      ];
      return { line: line.id, breaks, stock: undefined, days: undefined };
    }),
  }));
  return { lines, suppliers };
}

/** Every way of asking each supplier for at most one number of each line, with what the goods come to. */
function* choices(asks: readonly (readonly Ask[])[], lines: BasketProblem['lines']): Generator<Ask[][]> {
  const slots = asks.flatMap((own, s) => lines.map((_, l) => [s, own.filter(({ line }) => line === l)] as const));
  function* fill(at: number, chosen: Ask[][]): Generator<Ask[][]> {
    if (at === slots.length) return yield chosen;
    const [s, own] = slots[at]!;
    yield* fill(at + 1, chosen);
    for (const ask of own)
      yield* fill(
        at + 1,
        chosen.map((all, index) => (index === s ? [...all, ask] : all)),
      );
  }
  yield* fill(0, [[], []]);
}

describe('the relaxation of a way of ordering', () => {
  it('is never above a choice that reaches what is claimed, and says so of all that is asked for in it', () => {
    for (let seed = 1; seed <= 12; seed += 1) {
      const problem = drawn(seed);
      const asks = asksOf(problem, Infinity).map((own) => own.filter(({ count }) => count <= 3));
      const byLine = problem.lines.map((_, l) => asks.map((own) => own.filter(({ line }) => line === l)));
      const reach = problem.suppliers.map(({ minimum }) => minimum ?? 0);
      const found = relaxed(problem.lines, byLine, { used: [true, true], reach }, missing, Infinity);
      let least = Infinity;
      for (const chosen of choices(asks, problem.lines)) {
        const goods = chosen.map((all) => sumOf(all, ({ cost }) => cost));
        if (goods.some((sum, s) => sum < reach[s]!)) continue;
        const had = (l: number) => sumOf(chosen.flat(), ({ line, count }) => (line === l ? count : 0));
        const short = sum(problem.lines.map(({ needs }, l) => Math.max(0, needs - had(l))));
        const cost = goods[0]! + goods[1]! + short * missing;
        least = Math.min(least, cost);
        chosen.forEach((all, s) => {
          for (const ask of all) expect(found.with(s, ask)).toBeLessThanOrEqual(cost + 1e-6);
        });
      }
      expect(found.bound).toBeLessThanOrEqual(least + 1e-6);
      if (least < Infinity) expect(found.bound).toBeGreaterThan(0.5 * least);
      if (found.reached) expect(found.reached.goods).toBeGreaterThanOrEqual(least - 1e-6);
    }
  });
});
