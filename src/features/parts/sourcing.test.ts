import { mkdtempSync, rmSync } from 'node:fs';
import { type Server } from 'node:http';
import { type AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { readCounted } from '@/core/supply';
import { type PlayedSupplier, supplierServer } from '@/instruments/standIns/supplierServer';
import { addJob, addNeed, database, keepItems, openNeeds, openOrders, putOnShelf } from '@/store';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { handleSourcing } from './handleSourcing';
import { takeCatalogue } from './handleCatalogue';
import { askOrder, keepSupplier, placeOrder } from './orderActions';
import { loadParts } from './load';
import { type ProposedOrder, type Sourced } from './sourcedView';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));

const at = '2026-11-28T10:00:00Z';
const id = () => crypto.randomUUID();
const moods = { delay: [0, 1] as const, down: 0, hangs: 0, moves: 0, backOrders: 0, wrong: 0 };
const played: PlayedSupplier[] = [
  {
    id: 'near',
    postage: 2,
    days: 2,
    items: [
      { item: 'N1', typed: 'C 100u 50V 105', breaks: [{ from: 1, price: 1 }] },
      { item: 'N2', typed: 'R 10 1W 5%', breaks: [{ from: 1, price: 0.2 }] },
    ],
    moods,
  },
  {
    id: 'far',
    postage: 1,
    days: 9,
    items: [{ item: 'F1', typed: 'C 100u 63V 105', breaks: [{ from: 1, price: 0.1 }] }],
    moods: { ...moods, backOrders: 1 },
  },
];

let folder: string;
let server: Server;
const [near, far, paper] = [id(), id(), id()];
const need = async (own: string, typed: string) => addNeed(await database(), 'a-job', readCounted(typed), own, at);
const asked = async (query = '') =>
  (await handleSourcing(new Request(`http://here/api/sourcing${query}`))).json() as Promise<Sourced>;
const orderOf = (sourced: Sourced, supplier: string): ProposedOrder =>
  sourced.orders.find((order) => order.supplier === supplier)!;

beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-sourcing-'));
  process.env.TOVRIK_DB = path.join(folder, 'tovrik.db');
  server = supplierServer(played);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  await addJob(await database(), takenIn('a-job'));
  await keepSupplier({ id: near, title: 'Near', link: `${base}/near` });
  await keepSupplier({ id: far, title: 'Far', link: `${base}/far` });
});
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await (await database()).destroy();
  rmSync(folder, { recursive: true });
});

describe('where what is wanted comes from', () => {
  const [first, second, third] = [id(), id(), id()];

  it('is the shelf as far as it goes, and the cheapest orders for the rest', async () => {
    await putOnShelf(await database(), readCounted('C 100u 50V 105 x2 in B1'), 'new', { id: id(), at, why: 'put' });
    await need(first, 'C 100u 50V 105 x2');
    await need(second, 'C 100u 50V 105 x3');
    await need(third, 'R 10 1W');
    const sourced = await asked();
    expect(sourced.given).toMatchObject([{ need: first, from: 'shelf', place: 'B1', verdict: 'fits' }]);
    expect(orderOf(sourced, far)).toMatchObject({ postage: 1, lines: [{ item: 'F1', count: 3, over: 0 }] });
    expect(orderOf(sourced, near).lines.map(({ item }) => item)).toEqual(['N2']);
    expect(sourced.cost).toBeCloseTo(3 * 0.1 + 1 + 0.2 + 2);
    expect(sourced).toMatchObject({ exact: true, trouble: [], missing: [] });
  });

  it('says what each day of patience saves, and keeps to the days there are', async () => {
    const { patience } = await asked();
    expect(patience.map(({ days }) => days)).toEqual([2, 9]);
    expect(patience[1]!.savesADay).toBeCloseTo((patience[0]!.cost - patience[1]!.cost) / 7);
    const soon = await asked('?days=2');
    expect(soon.orders.map(({ supplier }) => supplier)).toEqual([near]);
    expect(await asked('?days=soon')).toEqual({ refused: '"soon" is no number of days' });
  });

  it('is never what a supplier had once and does not name any more', async () => {
    const once = {
      item: 'OLD',
      typed: 'R 10Ω 1W',
      breaks: [{ from: 1, price: 0.01 }],
      stock: undefined,
      days: undefined,
    };
    await keepItems(await database(), near, [once], at);
    expect(orderOf(await asked(), near).lines.map(({ item }) => item)).toEqual(['N2']);
    await keepItems(await database(), near, [{ ...once, item: 'N2' }], at, true);
  });

  it('is ordered once, with the date its seller gives, and asked after', async () => {
    const far9 = orderOf(await asked(), far);
    const own = id();
    const order = { id: own, supplier: far, postage: far9.postage, lines: far9.lines };
    expect(await placeOrder(order)).toEqual({ done: undefined });
    expect(await placeOrder(order)).toEqual({ done: undefined });
    const [open] = await openOrders(await database());
    expect(open).toMatchObject({ title: 'Far', reference: 'far-1', lines: [{ need: second, count: 3 }] });
    expect(open!.lines[0]!.said).toMatchObject({ state: 'back-ordered' });
    expect((await openNeeds(await database())).find((one) => one.id === second)).toMatchObject({
      state: 'ordered',
      due: open!.lines[0]!.said!.due,
    });
    expect(await askOrder({ id: own })).toEqual({ done: undefined });
    expect((await loadParts()).orders).toMatchObject([
      { linked: true, lines: [{ words: expect.stringContaining('back-ordered, due') as string }] },
    ]);
    expect(await askOrder({ id: id() })).toMatchObject({ refused: expect.stringContaining('not open') as string });
  });

  it('is not ordered a second time, nor by a page that is older than what stands', async () => {
    const line = { item: 'F1', typed: 'C 100u 63V 105', count: 3, price: 0.1, due: '2026-12-01', over: 0 };
    const again = { id: id(), supplier: far, postage: 1, lines: [{ ...line, needs: [{ need: second, count: 3 }] }] };
    expect(await placeOrder(again)).toMatchObject({
      refused: expect.stringContaining('is ordered: look again before you order') as string,
    });
    expect(await openOrders(await database())).toHaveLength(1);
  });

  it('goes by what was last seen where a supplier is away, and says so', async () => {
    server.closeAllConnections();
    server.close();
    const sourced = await asked();
    expect(sourced.trouble).toEqual([
      expect.stringMatching(/^Far does not answer .* Nothing is known|^Far .* are used$/),
      expect.stringMatching(/^Near does not answer \(no connection; tried 3 times\).* are used$/),
    ]);
    expect(orderOf(sourced, near).lines.map(({ item }) => item)).toEqual(['N2']);
    expect(orderOf(sourced, near).postage).toBe(2);
    expect(
      await placeOrder({ id: id(), supplier: near, postage: 2, lines: orderOf(sourced, near).lines }),
    ).toMatchObject({
      refused: expect.stringContaining('Near does not answer') as string,
    });
    expect((await openNeeds(await database())).find((one) => one.id === third)!.state).toBe('wanted');
  });
});

describe('a supplier that is written down by hand', () => {
  const upload = async (text: string, supplier = paper) => {
    const request = new Request(`http://here/api/catalogue?supplier=${supplier}`, { method: 'POST', body: text });
    return (await takeCatalogue(request)).json();
  };

  it('has a catalogue from a file, whole or not at all', async () => {
    await keepSupplier({ id: paper, title: 'Paper' });
    expect(await upload('part,price\nC 1u 50V,0.1\nC 2u2 50V,free\n')).toMatchObject({
      refused: expect.stringContaining('line 3: "free" is no price') as string,
    });
    expect((await loadParts()).suppliers.find((one) => one.id === paper)).toMatchObject({ items: 0 });
    expect(await upload('part,price\nC 1u 50V,0.1\n')).toEqual({ items: 1 });
    expect(await upload('part,price\nC 1u 50V,0.1\n', 'nobody')).toEqual({ refused: 'there is no such supplier' });
  });

  it.each([
    [{ title: '' }, 'what is the supplier called'],
    [{ title: 'Paper', id: id() }, 'a supplier called Paper already'],
    [{ title: 'Elsewhere', link: 'nowhere' }, '"nowhere" is no address of a service'],
    [{ title: 'Dear', postage: -1 }, 'postage is money, from 0 on'],
    [{ title: 'Slow', days: 1.5 }, 'days is a whole number'],
  ])('is refused as %j: %s', async (row, message) => {
    expect(await keepSupplier({ id: id(), ...row })).toEqual({
      refused: expect.stringContaining(message) as unknown,
    });
  });
});
