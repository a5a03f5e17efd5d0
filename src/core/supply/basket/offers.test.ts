import { describe, expect, it } from 'vitest';
import { seeded } from '../../statistics';
import { type Ask, leastCosts, priceAt } from './offers';

const missing = 1000;
const random = seeded(21);
const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));

const ask = (count: number, price: number): Ask => ({
  line: 0,
  count,
  cost: count * price,
  offer: { line: 'line', breaks: [{ from: 1, price }], stock: undefined, days: undefined },
});

/** The least by trying every choice of at most one ask a supplier. */
function byTrying(asks: readonly (readonly Ask[])[], set: number, needs: number): number {
  let best = needs * missing;
  const visit = (supplier: number, have: number, cost: number) => {
    if (supplier === asks.length) {
      best = Math.min(best, cost + Math.max(0, needs - have) * missing);
      return;
    }
    visit(supplier + 1, have, cost);
    if (((set >> supplier) & 1) === 1)
      for (const one of asks[supplier]!) visit(supplier + 1, have + one.count, cost + one.cost);
  };
  visit(0, 0, 0);
  return best;
}

describe('what a line costs by itself', () => {
  it('is the least of all choices, for every set of suppliers, and the choice says how', () => {
    for (let run = 0; run < 40; run += 1) {
      const needs = whole(1, 5);
      const asks = Array.from({ length: 3 }, () =>
        Array.from({ length: whole(0, 4) }, (_, at) => ask(at + 1 + whole(0, 1), whole(1, 9))),
      );
      const costs = leastCosts({ id: 'line', needs, by: undefined, job: undefined }, asks, missing);
      for (let set = 0; set < 8; set += 1) {
        expect(costs.of(set)).toBe(byTrying(asks, set, needs));
        const chosen = costs.choice(set);
        const got = chosen.reduce((sum, one) => sum + one.ask.count, 0);
        const spent = chosen.reduce((sum, one) => sum + one.ask.cost, 0);
        expect(spent + Math.max(0, needs - got) * missing).toBe(costs.of(set));
        expect(chosen.every(({ supplier }) => ((set >> supplier) & 1) === 1)).toBe(true);
      }
    }
  });

  it('takes the price that a number of pieces has', () => {
    const offer = {
      line: 'can',
      breaks: [
        { from: 1, price: 0.9 },
        { from: 10, price: 0.6 },
      ],
      stock: undefined,
      days: undefined,
    };
    expect([1, 9, 10, 50].map((count) => priceAt(offer, count))).toEqual([0.9, 0.9, 0.6, 0.6]);
  });
});
