import { type AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:http';
import { afterEach, describe, expect, it } from 'vitest';
import { type Moods, supplierServer } from '../standIns/supplierServer';
import { SupplierLink } from '.';

const servers: Server[] = [];
async function served(server: Server): Promise<string> {
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}
afterEach(() => {
  for (const server of servers.splice(0)) {
    server.closeAllConnections();
    server.close();
  }
});

const steady: Moods = { delay: [0, 1], down: 0, hangs: 0, moves: 0, backOrders: 0, wrong: 0 };
const hollin = (moods: Partial<Moods> = {}, seed = 1) =>
  supplierServer(
    [
      {
        id: 'hollin',
        postage: 3.5,
        freeFrom: 40,
        days: 3,
        items: [
          {
            item: 'H1',
            typed: 'C 100u 50V 105',
            breaks: [
              { from: 1, price: 0.4 },
              { from: 10, price: 0.3 },
            ],
          },
          { item: 'H2', typed: 'C 100u 63V 105', breaks: [{ from: 1, price: 0.5 }], stock: 4 },
          { item: 'H3', typed: 'R 10 1W', breaks: [{ from: 1, price: 0.05 }] },
        ],
        moods: { ...steady, ...moods },
      },
    ],
    seed,
  );
const habits = { patience: 150, tries: 3, pause: 5 };
const link = async (server: Server) => new SupplierLink('Hollin', `${await served(server)}/hollin`, habits);

describe('the way to a supplier', () => {
  it('brings what there is of the kinds asked for, with what sending costs', async () => {
    const answer = await (await link(hollin())).offers(['C 100u 50V']);
    expect(answer).toMatchObject({ postage: 3.5, freeFrom: 40, days: 3 });
    expect(answer.items.map(({ item }) => item)).toEqual(['H1', 'H2']);
  });

  it('orders once however often an order is sent, and tells how it stands', async () => {
    const hollinLink = await link(hollin());
    const lines = [{ item: 'H1', count: 10, price: 0.3 }];
    const first = await hollinLink.order('an-id', lines);
    expect(await hollinLink.order('an-id', lines)).toEqual(first);
    expect(first.lines).toMatchObject([{ item: 'H1', state: 'taken' }]);
    expect(await hollinLink.stateOf(first.reference)).toEqual(first);
    expect((await hollinLink.order('another', lines)).reference).not.toBe(first.reference);
  });

  it('tries again while a supplier is down now and then, and says so when it stays away', async () => {
    const often = await link(hollin({ down: 0.4, hangs: 0.1 }, 5));
    let answered = 0;
    for (let run = 0; run < 12; run += 1)
      answered += await often.offers(['R 10 1W']).then(
        () => 1,
        () => 0,
      );
    expect(answered).toBeGreaterThan(8);
    await expect((await link(hollin({ down: 1 }))).offers(['R 10 1W'])).rejects.toThrow(
      'Hollin does not answer (it says 503; tried 3 times)',
    );
    await expect((await link(hollin({ hangs: 1 }))).offers(['R 10 1W'])).rejects.toThrow('nothing came in time');
    await expect(new SupplierLink('Hollin', 'http://127.0.0.1:9', habits).offers([])).rejects.toThrow('no connection');
  });

  it('refuses to order at a price that has moved, and says what it is now', async () => {
    const moving = await link(hollin({ moves: 1 }));
    await expect(moving.order('an-id', [{ item: 'H2', count: 1, price: 0.5 }])).rejects.toThrow(
      /Hollin has changed its prices: H2 is 0\.\d\d now/,
    );
  });

  it('hears of what is late and of what was sent in its place', async () => {
    const late = await link(hollin({ backOrders: 1, wrong: 1 }));
    const { lines } = await late.order('an-id', [{ item: 'H1', count: 1, price: 0.4 }]);
    expect(lines).toMatchObject([{ item: 'H1', state: 'back-ordered' }]);
  });

  it.each([
    ['no JSON', 'hello', 'no JSON'],
    ['another shape', '{"items":7}', 'something else than was asked for'],
  ])('refuses an answer that is %s with one clear message', async (_, body, message) => {
    const strange = createServer((__, response) => response.end(body));
    await expect((await link(strange)).offers(['R 10'])).rejects.toThrow(message);
  });

  it('refuses what is no address', () => {
    expect(() => new SupplierLink('Hollin', 'file:///etc/passwd')).toThrow('no address of a service');
  });
});
