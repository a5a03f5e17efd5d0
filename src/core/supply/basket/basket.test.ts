import { describe, expect, it } from 'vitest';
import { bestBasket, patienceOf, readBasket, type BasketProblem } from '..';
import { type Random, seeded, sumOf } from '../../statistics';

/** Counts a supplier may be asked for: all ways of splitting each line, one piece too many included. */
function cheapestByTrying({ lines, suppliers }: BasketProblem): number {
  const shares = lines.map(({ needs }) => {
    const ways: number[][] = [];
    const most = needs + 2;
    const fill = (counts: number[]) => {
      if (counts.length === suppliers.length) {
        const all = sumOf(counts, (count) => count);
        if (all >= needs && all <= most) ways.push(counts);
        return;
      }
      for (let count = 0; count <= most; count += 1) fill([...counts, count]);
    };
    fill([]);
    return ways;
  });
  let best = Infinity;
  const visit = (line: number, chosen: number[][]) => {
    if (line < lines.length) return shares[line]!.forEach((way) => visit(line + 1, [...chosen, way]));
    let cost = 0;
    for (const [s, supplier] of suppliers.entries()) {
      let goods = 0;
      let any = false;
      for (const [l, { id }] of lines.entries()) {
        const count = chosen[l]![s]!;
        if (count === 0) continue;
        any = true;
        const offer = supplier.offers.find((one) => one.line === id);
        if (!offer || count > (offer.stock ?? Infinity)) return;
        const step = [...offer.breaks].reverse().find(({ from }) => count >= from);
        if (!step) return;
        goods += count * step.price;
      }
      if (!any) continue;
      if (goods < (supplier.minimum ?? 0) - 1e-9) return;
      cost += goods + (goods >= (supplier.freeFrom ?? Infinity) - 1e-9 ? 0 : supplier.postage);
    }
    best = Math.min(best, cost);
  };
  visit(0, []);
  return best;
}

function drawn(random: Random, lines: number, suppliers: number): BasketProblem {
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  const names = Array.from({ length: lines }, (_, l) => `line${l}`);
  return {
    lines: names.map((id) => ({ id, needs: whole(1, 3), by: undefined, job: undefined })),
    suppliers: Array.from({ length: suppliers }, (_, s) => ({
      id: `supplier${s}`,
      postage: whole(0, 6),
      freeFrom: random() < 0.4 ? whole(5, 15) : undefined,
      minimum: random() < 0.3 ? whole(2, 8) : undefined,
      days: whole(1, 9),
      offers: names
        .filter((_, l) => s === 0 || random() < 0.75 || l === 99)
        .map((line) => {
          const price = whole(2, 60) / 10;
          const breaks = [{ from: 1, price }, ...(random() < 0.5 ? [{ from: whole(2, 4), price: price * 0.7 }] : [])];
          return { line, breaks, stock: s > 0 && random() < 0.3 ? whole(1, 3) : undefined, days: undefined };
        }),
    })),
  };
}

describe('the basket', () => {
  it('costs what trying all ways finds, or less where far more pieces are cheaper', async () => {
    const random = seeded(11);
    let equal = 0;
    for (let run = 0; run < 200; run += 1) {
      const problem = drawn(random, 2, 3);
      const { cost, missing } = await bestBasket(problem);
      const tried = cheapestByTrying(problem);
      // Trying buys two pieces too many at most; a minimum order may want more.
      if (missing.length === 0) expect(cost).toBeLessThanOrEqual(tried + 1e-6);
      if (Math.abs(cost - tried) < 1e-6) equal += 1;
    }
    expect(equal).toBeGreaterThan(185);
  }, 300_000);

  const text = `
lines:
  - { id: can, needs: 12, by: 10 }
  - { id: chip, needs: 1 }
suppliers:
  - { id: Hollin, postage: 4, freeFrom: 30, days: 3, offers: [{ line: can, breaks: [{ from: 1, price: 0.9 }, { from: 20, price: 0.3 }] }, { line: chip, price: 9 }] }
  - { id: Marrack, postage: 2, minimum: 5, days: 8, offers: [{ line: chip, price: 6.5, stock: 1 }] }
`;

  it('buys more than is needed where that is cheaper', async () => {
    const { orders, cost } = await bestBasket(readBasket(text), 5);
    expect(orders[0]!.lines).toContainEqual({ line: 'can', supplier: 'Hollin', count: 20, price: 0.3, days: 3 });
    expect(cost).toBeCloseTo(20 * 0.3 + 9 + 4);
  });

  it('takes a large number of one line, and many suppliers', async () => {
    const offers = (price: number) => [
      {
        line: 'screw',
        breaks: [
          { from: 1, price },
          { from: 1000, price: price / 2 },
        ],
        stock: undefined,
        days: undefined,
      },
    ];
    const suppliers = Array.from({ length: 12 }, (_, s) => ({
      id: `S${s}`,
      postage: s,
      freeFrom: undefined,
      minimum: undefined,
      days: 1,
      offers: offers(2 - s / 20),
    }));
    const { cost, orders } = await bestBasket({
      lines: [{ id: 'screw', needs: 900, by: undefined, job: undefined }],
      suppliers,
    });
    expect(orders).toHaveLength(1);
    expect(orders[0]!.lines[0]!.count).toBe(1000);
    expect(cost).toBeCloseTo(Math.min(...suppliers.map(({ postage }, s) => postage + (1000 * (2 - s / 20)) / 2)), 6);
  });

  it('says what patience saves, and what cannot be had in time', async () => {
    const patience = await patienceOf(readBasket(text));
    expect(patience.map(({ days }) => days)).toEqual([3, 8]);
    expect(patience[1]!.savesADay).toBeCloseTo((9 - 6.5 - 2) / 5);
    const { missing } = await bestBasket(readBasket(text), 1);
    expect(missing).toEqual([
      { line: 'can', count: 12 },
      { line: 'chip', count: 1 },
    ]);
  });

  it.each([
    ['lines: []\nsuppliers:\n  - { id: S, offers: [] }', /line 1: lines has one line at least/],
    [
      'lines:\n  - { id: a, needs: -2 }\nsuppliers:\n  - { id: S, offers: [] }',
      /line 2: lines\[0\].needs is a whole number, from 1 on/,
    ],
    [
      'lines:\n  - { id: a, needs: 1 }\n  - { id: a, needs: 1 }\nsuppliers:\n  - { id: S, offers: [] }',
      /two lines are called "a"/,
    ],
    [
      'lines:\n  - { id: a, needs: 1 }\nsuppliers:\n  - { id: S, offers: [{ line: b, price: 1 }] }',
      /no line is called that/,
    ],
    ['lines:\n  - { id: a, needs: 1 }\nsuppliers:\n  - { id: S, offers: [{ line: a }] }', /a price or breaks/],
    ['lines:\n  - { id: a, needs: 1, colour: red }\nsuppliers:\n  - { id: S, offers: [] }', /line 2: .*colour/],
    ['lines: [', /line 1/],
  ])('refuses %j', (wrong, message) => expect(() => readBasket(wrong)).toThrow(message));
});
