import { describe, expect, it } from 'vitest';
import { LinearProgram, solve } from './linearProgram';

/** The most of a knapsack, by trying every subset. */
function bestBySubsets(values: readonly number[], weights: readonly number[], room: number): number {
  let best = 0;
  for (let set = 0; set < 1 << values.length; set += 1) {
    let value = 0;
    let weight = 0;
    values.forEach((worth, item) => {
      if (((set >> item) & 1) === 0) return;
      value += worth;
      weight += weights[item]!;
    });
    if (weight <= room) best = Math.max(best, value);
  }
  return best;
}

describe('a programme with whole-number unknowns', () => {
  it('finds the best of a knapsack', async () => {
    const values = [60, 100, 120, 75, 30, 44, 91];
    const weights = [10, 20, 30, 14, 7, 9, 19];
    for (const room of [0, 9, 25, 50, 71]) {
      const program = new LinearProgram();
      const items = values.map((value, item) => program.binary(`x${item}`, -value));
      program.row(
        items.map((name, item) => [weights[item]!, name]),
        '<=',
        room,
      );
      const found = await solve(program);
      expect(-found!.cost).toBeCloseTo(bestBySubsets(values, weights, room), 6);
      expect(found!.exact).toBe(true);
    }
  });

  it('keeps whole numbers within their bounds', async () => {
    const program = new LinearProgram();
    const many = program.integer('many', 7, -2);
    const few = program.integer('few', 3, -3);
    program.row(
      [
        [2, many],
        [5, few],
      ],
      '<=',
      21,
    );
    const found = await solve(program);
    expect([found!.value('many'), found!.value('few')]).toEqual([7, 1]);
    expect(found!.cost).toBeCloseTo(-17);
  });

  it('says so where nothing satisfies all rows', async () => {
    const program = new LinearProgram();
    const one = program.binary('one', 1);
    program.row([[1, one]], '>=', 2);
    expect(await solve(program)).toBeUndefined();
  });
});
