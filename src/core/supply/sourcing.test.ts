import { describe, expect, it } from 'vitest';
import { type CatalogueItem, sourcingOf, type Vendor } from './sourcing';

const item = (number: string, typed: string, price: number, more: Partial<CatalogueItem> = {}): CatalogueItem => ({
  item: number,
  typed,
  breaks: [{ from: 1, price }],
  stock: undefined,
  days: undefined,
  ...more,
});
const vendor = (id: string, ...items: CatalogueItem[]): Vendor => ({
  id,
  postage: 3,
  freeFrom: undefined,
  minimum: undefined,
  days: 2,
  items,
});
const want = (id: string, typed: string, count = 1) => ({ id, typed, count });

describe('where what is wanted comes from', () => {
  it('is the shelf before a donor and a donor before a supplier, and no piece is promised twice', () => {
    const shelf = [{ id: 'drawer', typed: 'C 680u 63V 105 lowesr', count: 3 }];
    const donor = [{ id: 'board', typed: 'C 680u 50V 105 lowesr', count: 2 }];
    const can = 'C 680u 50V 105 lowesr';
    const found = sourcingOf(
      [want('first', can, 2), want('second', can, 2), want('third', can, 2)],
      [shelf, donor],
      [vendor('Hollin', item('H1', can, 0.9))],
    );
    expect(found.given.map(({ need, lot, verdict }) => [need, lot.id, verdict])).toEqual([
      ['first', 'drawer', 'better'],
      ['second', 'board', 'fits'],
    ]);
    expect(found.problem.lines).toEqual([{ id: can, needs: 2, by: undefined, job: undefined }]);
    expect(found.wants.get(can)).toEqual([want('third', can, 2)]);
  });

  it('buys the same part once, by what does: never less volts, never what has to be watched', () => {
    const can = 'C 100u 50V 105';
    const found = sourcingOf(
      [want('one', can, 3), want('two', can, 1)],
      [],
      [
        vendor('Hollin', item('H35', 'C 100u 35V 105', 0.1), item('H50', can, 0.4), item('H63', 'C 100u 63V 105', 0.3)),
        vendor('Marrack', item('M50', can, 0.2, { stock: 0 })),
      ],
    );
    expect(found.problem.lines).toMatchObject([{ id: can, needs: 4 }]);
    expect(found.problem.suppliers.map(({ offers }) => offers.map((offer) => offer.item))).toEqual([
      ['H50', 'H63'],
      [],
    ]);
    expect(found.doubtful).toEqual([]);
  });

  it('says what nobody offers, and what comes nearest with what is to be watched', () => {
    const found = sourcingOf(
      [want('one', 'C 100u 50V 105'), want('two', 'U no ZZ9 dip8')],
      [],
      [vendor('Hollin', item('H85', 'C 100u 50V 85', 0.2))],
    );
    expect(found.doubtful).toMatchObject([
      { line: 'C 100u 50V 105', nearest: { supplier: 'Hollin', typed: 'C 100u 50V 85' } },
      { line: 'U no ZZ9 dip8', nearest: undefined },
    ]);
    expect(found.doubtful[0]!.nearest!.reason).not.toBe('');
    expect(found.problem.suppliers[0]!.offers).toEqual([]);
  });
});
