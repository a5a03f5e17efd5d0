import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded, sumOf } from '../../statistics';
import { keepCount, planHarvest, readHarvest, saleOf } from '..';
import { chanceOfAtLeast, worthOfNext } from './harvest';
import { type DonorPart, type HarvestProblem } from './problem';

function bestByTrying({ parts, boards, minutes, hour }: HarvestProblem): number {
  let best = 0;
  const visit = (at: number, counts: readonly number[]) => {
    if (at < parts.length) {
      for (let count = 0; count <= parts[at]!.count; count += 1) visit(at + 1, [...counts, count]);
      return;
    }
    const out = new Set(parts.flatMap(({ board }, p) => (board !== undefined && counts[p]! > 0 ? [board] : [])));
    const spent =
      sumOf(
        parts.map((part, p) => part.minutes * counts[p]!),
        (one) => one,
      ) + sumOf(out, (id) => boards.get(id)!);
    if (spent > minutes + 1e-9) return;
    const value = parts.reduce((sum, part, p) => {
      for (let k = 0; k < counts[p]!; k += 1) sum += part.survives * worthOfNext(part, part.shelf + k * part.survives);
      return sum;
    }, 0);
    best = Math.max(best, value - (spent * hour) / 60);
  };
  visit(0, []);
  return best;
}

describe('the harvest of a donor', () => {
  it('is worth what trying all ways finds', async () => {
    const random = seeded(5);
    const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
    for (let run = 0; run < 60; run += 1) {
      const problem: HarvestProblem = {
        minutes: whole(10, 60),
        hour: whole(0, 12),
        boards: new Map([
          ['one', whole(2, 12)],
          ['two', whole(2, 12)],
        ]),
        parts: Array.from({ length: 5 }, (_, p): DonorPart => ({
          id: `part${p}`,
          board: ['one', 'two', undefined][whole(0, 2)],
          count: whole(1, 3),
          minutes: whole(2, 15),
          survives: 0.5 + random() / 2,
          demand: random() * 3,
          worth: whole(1, 20),
          shelf: whole(0, 2),
          sale: random() < 0.3 ? 1 : 0,
        })),
      };
      const { value, minutes } = await planHarvest(problem);
      expect(minutes).toBeLessThanOrEqual(problem.minutes);
      expect(value - (minutes * problem.hour) / 60).toBeCloseTo(bestByTrying(problem), 4);
    }
  }, 300_000);

  it('keeps as many as the newsvendor’s ratio says', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 6, noNaN: true }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (demand, ratio) => {
          const part = { demand, worth: 10, sale: 10 * ratio } as DonorPart;
          const keep = keepCount(part, 50);
          // The least number that covers demand with a chance of at least 1 − sale ÷ worth.
          expect(1 - chanceOfAtLeast(keep + 1, demand)).toBeGreaterThanOrEqual(1 - ratio - 1e-9);
          if (keep > 0) expect(1 - chanceOfAtLeast(keep, demand)).toBeLessThanOrEqual(1 - ratio + 1e-9);
        },
      ),
    );
  });

  it('sells what used ones are bought of, where it pays for the work of selling', () => {
    expect(saleOf('board', 40, 20)).toBeCloseTo(0.5 * 40 - (12 / 60) * 20, 9);
    expect(saleOf('chip', 6, 20)).toBe(0);
    expect(saleOf('capacitor', 100, 0)).toBe(0);
  });

  it.each([
    ['minutes: 70\nparts: []', /parts has one part at least/],
    [
      'minutes: 70\nparts:\n  - { id: a, minutes: 3, demand: 1 }',
      /line 3: parts\[0\].worth is missing: what one costs to buy/,
    ],
    ['minutes: 70\nparts:\n  - { id: a, minutes: 3, demand: 1, worth: 2, survives: 3 }', /is a chance from 0 to 1/],
    ['minutes: 70\nparts:\n  - { id: a, board: x, minutes: 3, demand: 1, worth: 2 }', /no board is called that/],
    ['minutes: soon\nparts:\n  - { id: a, minutes: 3, demand: 1, worth: 2 }', /line 1: minutes is a number of minutes/],
  ])('refuses %j', (wrong, message) => expect(() => readHarvest(wrong)).toThrow(message));
});
