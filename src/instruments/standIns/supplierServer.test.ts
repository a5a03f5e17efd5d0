import { type AddressInfo } from 'node:net';
import { type Server } from 'node:http';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Moods, type PlayedSupplier, supplierServer } from './supplierServer';

const calm: Moods = { delay: [0, 0], down: 0, hangs: 0, moves: 0, backOrders: 0, wrong: 0 };
const played = (moods: Partial<Moods> = {}): PlayedSupplier => ({
  id: 'quay',
  postage: 2,
  minimum: 5,
  days: 4,
  items: [
    {
      item: 'Q1',
      typed: 'C 100u 50V 105',
      breaks: [
        { from: 1, price: 0.4 },
        { from: 10, price: 0.3 },
      ],
      stock: 12,
    },
    { item: 'Q2', typed: 'C 100u 35V 105', breaks: [{ from: 1, price: 0.2 }] },
  ],
  moods: { ...calm, ...moods },
});

let server: Server;
async function serve(moods?: Partial<Moods>, seed = 1): Promise<void> {
  server = supplierServer([played(moods)], seed);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
}
const ask = async (path: string, body?: unknown) => {
  const { port } = server.address() as AddressInfo;
  const answer = await fetch(
    `http://127.0.0.1:${port}/${path}`,
    body === undefined ? {} : { method: 'POST', body: typeof body === 'string' ? body : JSON.stringify(body) },
  );
  return [answer.status, (await answer.json()) as Record<string, unknown>] as const;
};
const one = (price = 0.4, count = 1) => ({ item: 'Q1', count, price });

beforeEach(() => {
  vi.useRealTimers();
});
afterEach(() => {
  server.closeAllConnections();
  server.close();
});

describe('a supplier that is played', () => {
  it('offers what it has of a kind, on its terms', async () => {
    await serve();
    const [status, answer] = await ask('quay/offers', { parts: ['C 1u 50V'] });
    expect(status).toBe(200);
    expect(answer).toMatchObject({
      postage: 2,
      minimum: 5,
      days: 4,
      items: [{ item: 'Q1', stock: 12 }, { item: 'Q2' }],
    });
    expect((await ask('quay/offers', { parts: ['R 10 1W'] }))[1]).toMatchObject({ items: [] });
  });

  it('takes an order at the price of its number, and refuses another', async () => {
    await serve();
    expect((await ask('quay/orders', { id: 'a', lines: [one(0.3, 10)] }))[0]).toBe(201);
    expect(await ask('quay/orders', { id: 'b', lines: [one(0.3, 9)] })).toEqual([
      409,
      { changed: [{ item: 'Q1', price: 0.4 }] },
    ]);
    expect((await ask('quay/orders', { id: 'c', lines: [{ item: 'Q9', count: 1, price: 1 }] }))[0]).toBe(422);
  });

  it('sends after a while, with a note of what is in the parcel; now and then the wrong thing', async () => {
    await serve({ wrong: 1 });
    const [, { reference }] = await ask('quay/orders', { id: 'a', lines: [one()] });
    const taken = await ask(`quay/orders/${String(reference)}`);
    expect(taken[1]).toMatchObject({ lines: [{ state: 'taken' }] });
    const later = Date.now() + 60_000;
    const clock = vi.spyOn(Date, 'now').mockReturnValue(later);
    const sent = await ask(`quay/orders/${String(reference)}`);
    clock.mockRestore();
    expect(sent[1]).toMatchObject({ lines: [{ state: 'sent', sent: 'C 100u 35V 105' }] });
  });

  it('does the same with the same seed, another thing with another', async () => {
    const course = async (seed: number) => {
      await serve({ down: 0.5 }, seed);
      const statuses: number[] = [];
      for (let run = 0; run < 12; run += 1) statuses.push((await ask('quay/offers', { parts: ['R 10'] }))[0]);
      server.closeAllConnections();
      server.close();
      return statuses.join();
    };
    const first = await course(3);
    expect(first).toContain('503');
    expect(first).toContain('200');
    expect(await course(3)).toBe(first);
    expect(await course(4)).not.toBe(first);
    await serve();
  });

  it.each([
    ['elsewhere/offers', { parts: [] }, 404],
    ['quay/orders/quay-99', undefined, 404],
    ['quay/offers', '{', 400],
    ['quay/offers', { parts: 'all' }, 400],
    ['quay', undefined, 400],
  ])('answers %s with %j by %i', async (path, body, status) => {
    await serve();
    expect((await ask(path, body))[0]).toBe(status);
  });
});
