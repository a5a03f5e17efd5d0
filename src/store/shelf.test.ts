import { type Knex } from 'knex';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { readCounted } from '@/core/supply';
import {
  addJob,
  addNeed,
  findJob,
  moveNeed,
  moveStock,
  openDatabase,
  openNeeds,
  putOnShelf,
  searchShelf,
  shelfSize,
  takeForNeed,
  takeMoveBack,
} from '.';

let db: Knex;
let ids = 0;
const at = '2026-11-28T10:00:00.000Z';
const id = () => `00000000-0000-4000-8000-${String((ids += 1)).padStart(12, '0')}`;
const put = (typed: string, origin = 'new') => putOnShelf(db, readCounted(typed), origin, { id: id(), at, why: 'put' });
const counts = async (typed: string) => (await searchShelf(db, typed)).map(({ count }) => count);

beforeEach(async () => {
  db = await openDatabase(':memory:');
});
afterEach(() => db.destroy());

describe('the shelf', () => {
  it('finds a part as one types it: its value, its rating or more, a word of it, its drawer', async () => {
    await put('C 680u 50V 105 lowesr x4 in B3');
    await put('C 680u 63V 105 x2 in B3');
    await put('C 680u 25V 85 in B4');
    await put('Q npn 1500V 8A damper x3 in Q1');
    await put('Q npn 1500V 8A in Q1');
    const found = async (typed: string) => (await searchShelf(db, typed)).map((row) => row.typed);
    expect(await found('680u 50V')).toEqual(['C 680µF 50V 105°C lowesr', 'C 680µF 63V 105°C']);
    expect(await found('1200V damper')).toEqual(['Q npn 1500V 8A damper']);
    expect(await found('Q1')).toHaveLength(2);
    expect(await found('4k7')).toEqual([]);
    expect(await found('" or 1=1 --')).toEqual([]);
    expect(await shelfSize(db)).toEqual({ kinds: 5, pieces: 11 });
  });

  it('counts by its movements alone, which nobody can change', async () => {
    const can = await put('C 680u 50V x4 in B3');
    expect((await put('C 680u 50V x2 in B3')).count).toBe(6);
    expect(await moveStock(db, can.id, -5, { id: id(), at, why: 'taken' })).toBe(1);
    await expect(moveStock(db, can.id, -2, { id: id(), at, why: 'taken' })).rejects.toThrow(
      'there is only 1 of C 680µF 50V in B3, and 2 are wanted',
    );
    expect(await counts('680u')).toEqual([1]);
    expect((await db('stock_move').sum('delta as sum').first())!.sum).toBe(1);
    await expect(db('stock_move').update({ delta: 9 })).rejects.toThrow('append-only');
    await expect(db('stock_move').delete()).rejects.toThrow('append-only');
  });

  it('takes a movement back once, and not when the pieces are gone', async () => {
    const can = await put('C 680u 50V x4 in B3');
    const taken = id();
    await moveStock(db, can.id, -3, { id: taken, at, why: 'taken' });
    await takeMoveBack(db, taken, id(), at);
    await takeMoveBack(db, taken, id(), at);
    expect(await counts('680u')).toEqual([4]);
    await moveStock(db, can.id, -2, { id: id(), at, why: 'taken' });
    await expect(takeMoveBack(db, can.id, id(), at)).rejects.toThrow('put them back first');
  });

  it('gives the last one to one of two who take it at once', async () => {
    const chip = await put('U no VX2040');
    const both = await Promise.allSettled([1, 2].map(() => moveStock(db, chip.id, -1, { id: id(), at, why: 'taken' })));
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    expect(await counts('VX2040')).toEqual([0]);
  });
});

describe('what the jobs need', () => {
  const job = {
    id: 'j1',
    title: 'Tea-room set',
    place: '',
    sheet: 'pellisar-tc-14',
    label: {},
    options: {},
    complaint: { symptoms: [], signs: {} },
    words: '',
    owner: '',
    value: 80,
    limit: 30,
    waiting: null,
    createdAt: at,
    closedAt: null,
    due: '',
    pinned: false,
    former: null,
  };
  const step = (need: string, state: 'ordered' | 'here' | 'wrong' | 'fitted' | 'wanted', due = '') =>
    moveNeed(db, { id: id(), need, state, supplier: 'Hollin', due, price: 2, at });
  const states = async () => (await openNeeds(db)).map(({ state }) => state);

  it('goes from wanted to fitted, and the job waits as long as something is on order', async () => {
    await addJob(db, job);
    const [cans, chip] = [id(), id()];
    await addNeed(db, 'j1', readCounted('C 680u 50V x4'), cans, at);
    await addNeed(db, 'j1', readCounted('U no VX2040'), chip, at);
    await step(cans, 'ordered', '2026-12-02');
    await step(chip, 'ordered', '2026-12-09');
    expect((await findJob(db, 'j1'))!.waiting).toMatchObject({ for: 'part', until: '2026-12-09' });
    await step(chip, 'wrong');
    await step(cans, 'here');
    expect((await findJob(db, 'j1'))!.waiting).toBeNull();
    expect(await states()).toEqual(['here', 'wrong']);
    await expect(step(chip, 'fitted')).rejects.toThrow(
      'what is wrong cannot be fitted next: it can be returned, wanted, ordered, dropped',
    );
  });

  it('is taken from the shelf where the part does, and both count', async () => {
    await addJob(db, job);
    const need = id();
    await addNeed(db, 'j1', readCounted('C 680u 50V 105 lowesr x4'), need, at);
    const poor = await put('C 680u 25V 105 lowesr x9 in B1');
    const few = await put('C 680u 63V 105 lowesr x3 in B2');
    await expect(takeForNeed(db, need, poor.id, id(), at)).rejects.toThrow(/does not do: 25V, less than/);
    await expect(takeForNeed(db, need, few.id, id(), at)).rejects.toThrow('there are only 3');
    expect(await states()).toEqual(['wanted']);
    await put('C 680u 63V 105 lowesr in B2');
    await takeForNeed(db, need, few.id, id(), at);
    expect(await states()).toEqual(['here']);
    expect(await counts('680u 60V')).toEqual([0]);
    await step(need, 'wanted');
    expect(await counts('680u 60V')).toEqual([4]);
    await takeForNeed(db, need, few.id, id(), at);
    expect(await counts('680u 60V')).toEqual([0]);
  });

  it('is not written down for a job that is gone', async () => {
    await expect(addNeed(db, 'nobody', readCounted('C 1u 50V'), id(), at)).rejects.toThrow('closed or gone');
  });
});
