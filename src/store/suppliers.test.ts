import { type Knex } from 'knex';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { readCounted, readDonorLine } from '@/core/supply';
import { takenIn } from '../../tests/fixtures/takenIn';
import {
  addDonorPart,
  addJob,
  addNeed,
  addOrder,
  donorParts,
  findJob,
  harvestPart,
  itemsOf,
  keepItems,
  keepWords,
  moveDonorPart,
  moveNeed,
  openDatabase,
  openNeeds,
  openOrders,
  saveDonor,
  saveSupplier,
  searchShelf,
  suppliers,
  takeFromDonor,
} from '.';

let db: Knex;
let ids = 0;
const at = '2026-11-28T10:00:00.000Z';
const id = () => `00000000-0000-4000-8000-${String((ids += 1)).padStart(12, '0')}`;
const hollin = { id: 'hollin', title: 'Hollin', link: '', postage: 3.5, freeFrom: 40, minimum: null, days: 3 };
const can = 'C 100µF 50V 105°C';
const need = async (typed: string) => (await openNeeds(db)).find((one) => one.typed === typed)!;
const shelf = async () => (await searchShelf(db, '')).map(({ typed, count, origin }) => [typed, count, origin]);

beforeEach(async () => {
  db = await openDatabase(':memory:');
  await addJob(db, takenIn('tea-room'));
  await saveSupplier(db, hollin);
});
afterEach(() => db.destroy());

describe('suppliers', () => {
  it('are kept with their terms; two of one name are refused', async () => {
    await saveSupplier(db, { ...hollin, days: 5 });
    expect(await suppliers(db)).toEqual([{ ...hollin, days: 5 }]);
    await expect(saveSupplier(db, { ...hollin, id: 'other' })).rejects.toThrow('a supplier called Hollin already');
  });

  it('are known by what was last seen of them; a catalogue takes the place of all of it', async () => {
    const item = { item: 'H1', typed: can, breaks: [{ from: 1, price: 0.4 }], stock: 9, days: undefined };
    await keepItems(db, 'hollin', [item], at);
    await keepItems(db, 'hollin', [{ ...item, breaks: [{ from: 1, price: 0.5 }] }], '2026-11-29');
    expect(await itemsOf(db, 'hollin', ['capacitor'])).toMatchObject([
      { item: 'H1', breaks: [{ from: 1, price: 0.5 }], stock: 9, days: undefined, seen: '2026-11-29' },
    ]);
    expect(await itemsOf(db, 'hollin', ['resistor'])).toEqual([]);
    await keepItems(db, 'hollin', [{ ...item, item: 'H2' }], at, true);
    expect((await itemsOf(db, 'hollin', ['capacitor'])).map(({ item: number }) => number)).toEqual(['H2']);
  });
});

describe('an order', () => {
  const order = async (over = 0) => {
    await addNeed(db, 'tea-room', readCounted(`${can} x2`), 'need-1', at);
    const line = { need: 'need-1', item: 'H1', typed: can, count: 2, over, price: 0.4, due: '2026-12-01' };
    const own = id();
    const placed = { id: own, supplier: 'hollin', reference: 'hollin-1', postage: 3.5, at, lines: [line] };
    await addOrder(db, placed);
    await addOrder(db, placed);
    return own;
  };

  it('is written once, keeps the set waiting, and is open until its parts are here', async () => {
    await order();
    expect(await need(can)).toMatchObject({ state: 'ordered', supplier: 'Hollin', due: '2026-12-01', price: 0.4 });
    expect((await findJob(db, 'tea-room'))!.waiting).toMatchObject({ for: 'part', until: '2026-12-01' });
    expect(await openOrders(db)).toMatchObject([{ title: 'Hollin', lines: [{ need: 'need-1', said: undefined }] }]);
    await moveNeed(db, { id: id(), need: 'need-1', state: 'here', supplier: 'Hollin', due: '', price: 0.4, at });
    expect(await openOrders(db)).toEqual([]);
    expect((await findJob(db, 'tea-room'))!.waiting).toBeNull();
    expect(await shelf()).toEqual([]);
  });

  it('takes the date its seller gives, and keeps what he said', async () => {
    await order();
    const [placed] = await openOrders(db);
    const word = { item: 'H1', state: 'back-ordered', due: '2026-12-10', sent: '' };
    await keepWords(db, placed!, [word, { ...word, item: 'unknown' }], at);
    expect(await need(can)).toMatchObject({ state: 'ordered', due: '2026-12-10' });
    expect((await openOrders(db))[0]!.lines[0]!.said).toEqual(word);
    expect((await findJob(db, 'tea-room'))!.waiting).toMatchObject({ until: '2026-12-10' });
  });

  it('puts what was bought over on the shelf when it is here, once', async () => {
    await order(8);
    const here = { id: id(), need: 'need-1', state: 'here' as const, supplier: 'Hollin', due: '', price: 0.4, at };
    await moveNeed(db, here);
    expect(await shelf()).toEqual([[can, 8, 'Hollin']]);
  });

  it('is nothing at all where one of its lines cannot be', async () => {
    await addNeed(db, 'tea-room', readCounted(can), 'need-1', at);
    const line = { need: 'need-1', item: '', typed: can, count: 1, over: 0, price: 1, due: '2026-12-01' };
    const placed = { id: id(), supplier: 'hollin', reference: '', postage: 0, at };
    await expect(addOrder(db, { ...placed, lines: [line, { ...line, need: 'nobody' }] })).rejects.toThrow();
    expect((await need(can)).state).toBe('wanted');
    expect(await openOrders(db)).toEqual([]);
  });
});

describe('a donor', () => {
  const part = async (typed: string) => {
    const { board, condition, minutes, ...counted } = readDonorLine(typed);
    await addDonorPart(db, 'kiosk', counted, { board, condition, minutes }, { id: id(), at });
    return (await donorParts(db)).at(-1)!;
  };
  beforeEach(() => saveDonor(db, { id: 'kiosk', title: 'Kiosk plasma', place: 'loft', note: '', at }));

  it('gives a set what it waits for, and gets it back when that is put back', async () => {
    const there = await part(`${can} x3 on PSU likely`);
    await addNeed(db, 'tea-room', readCounted(`${can} x2`), 'need-1', at);
    await takeFromDonor(db, 'need-1', there.id, id(), at);
    expect(await need(can)).toMatchObject({ state: 'here', supplier: 'from Kiosk plasma' });
    expect((await donorParts(db))[0]!.count).toBe(1);
    await moveNeed(db, { id: id(), need: 'need-1', state: 'wanted', supplier: '', due: '', price: null, at });
    expect((await donorParts(db))[0]!.count).toBe(3);
  });

  it('refuses what does not do and what is not there, and nothing has moved', async () => {
    const there = await part('C 100u 35V 105 on PSU');
    await addNeed(db, 'tea-room', readCounted(can), 'need-1', at);
    await expect(takeFromDonor(db, 'need-1', there.id, id(), at)).rejects.toThrow('does not do');
    await expect(moveDonorPart(db, there.id, -2, { id: id(), at, why: 'spoiled' })).rejects.toThrow(
      'has only 1 of C 100µF 35V 105°C left',
    );
    expect((await need(can)).state).toBe('wanted');
    expect((await donorParts(db))[0]!.count).toBe(1);
  });

  it('is harvested onto the shelf, once for each id', async () => {
    const there = await part('Q nfet 300V 30A x4 on scan');
    const own = id();
    await harvestPart(db, there.id, 3, own, at);
    await harvestPart(db, there.id, 3, own, at);
    expect((await donorParts(db))[0]!.count).toBe(1);
    expect(await shelf()).toEqual([['Q nfet 300V 30A', 3, 'Kiosk plasma']]);
  });
});
