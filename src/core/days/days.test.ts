import { describe, expect, it } from 'vitest';
import { seeded, sumOf } from '../statistics';
import { type DayRule, drawSets, mostWeekly, rankDay, runMonths, type WorkableSet } from '.';

const set = (id: string, more: Partial<WorkableSet> = {}): WorkableSet => ({
  id,
  worth: 100,
  next: 30,
  remaining: 60,
  opensWait: 0,
  waits: 0,
  ...more,
});
const order = (...sets: WorkableSet[]) => rankDay(sets).map(({ id }) => id);

describe('the order of the day', () => {
  it('is worth for the hour of what is left: the dear before the cheap, the short before the long', () => {
    expect(order(set('cheap', { worth: 20 }), set('dear', { worth: 200 }))).toEqual(['dear', 'cheap']);
    expect(order(set('long', { remaining: 240 }), set('short'))).toEqual(['short', 'long']);
    expect(rankDay([set('one')])[0]).toMatchObject({ index: 100, why: 'worth 100 an hour' });
  });

  it('is raised as a due day comes near, and says so', () => {
    const near = set('near', { dueIn: 1.5 });
    expect(order(set('free', { worth: 120 }), near)).toEqual(['near', 'free']);
    expect(rankDay([near])[0]!.why).toMatch(/due in a day/);
    expect(rankDay([set('late', { dueIn: -2 })])[0]!.why).toMatch(/due 2 days ago/);
    expect(order(set('free', { worth: 120 }), set('far', { dueIn: 60 }))).toEqual(['free', 'far']);
    expect(order(set('ready', { dueIn: 8 }), set('waits', { dueIn: 8, waits: 6 }))).toEqual(['waits', 'ready']);
  });

  it('begins what waits by itself before what does not', () => {
    expect(order(set('worked'), set('ordered', { opensWait: 5, waits: 5 }))).toEqual(['ordered', 'worked']);
    expect(rankDay([set('ordered', { opensWait: 5, waits: 5 })])[0]!.why).toMatch(/then it waits 5 days$/);
  });
});

describe('months of a small shop', () => {
  const over = (rule: DayRule, months: number) => {
    const runs = Array.from({ length: months }, (_, month) => runMonths(drawSets(60, 2.1, seeded(month)), 60, 1, rule));
    return {
      weekly: sumOf(runs, ({ weekly }) => weekly),
      days: sumOf(runs, ({ days }) => days),
      late: sumOf(runs, ({ late }) => late),
    };
  };

  it('bring more a week by worth than in the order of arrival or shortest first, and days far below arrival', () => {
    const [arrival, shortest, worth] = (['first in first out', 'shortest first', 'by worth'] as const).map((rule) =>
      over(rule, 30),
    );
    expect(worth!.weekly).toBeGreaterThan(1.1 * arrival!.weekly);
    expect(worth!.weekly).toBeGreaterThan(shortest!.weekly);
    expect(worth!.days).toBeLessThan(0.8 * arrival!.days);
    expect(worth!.late).toBeLessThan(0.8 * shortest!.late);
  });

  it('never bring more than could be had if nothing waited, whatever the rule', () => {
    for (let month = 0; month < 20; month += 1) {
      const sets = drawSets(60, 3, seeded(month));
      for (const rule of ['first in first out', 'shortest first', 'by worth'] as const)
        expect(runMonths(sets, 60, 1, rule).weekly).toBeLessThanOrEqual(mostWeekly(sets, 60, 1));
    }
  });

  it('are worked through whole where there is time for all, whatever the rule', () => {
    const sets = drawSets(20, 0.5, seeded(3));
    for (const rule of ['first in first out', 'shortest first', 'by worth'] as const)
      expect(runMonths(sets, 400, 2, rule).left).toBe(sets.length);
  });
});
