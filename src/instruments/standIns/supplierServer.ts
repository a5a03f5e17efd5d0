import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { type CatalogueItem, readPart } from '@/core/supply';
import { type Random, seeded } from '@/core/statistics';
import { type OrderAnswer, type OrderState } from '../suppliers';

/** A supplier that is played: what he has, and how he is. */
export interface PlayedSupplier {
  /** The first step of its address. */
  readonly id: string;
  readonly postage: number;
  readonly freeFrom?: number;
  readonly minimum?: number;
  readonly days: number;
  readonly items: readonly (Pick<CatalogueItem, 'item' | 'typed' | 'breaks'> &
    Partial<Pick<CatalogueItem, 'stock' | 'days'>>)[];
  readonly moods: Moods;
}

/** How often a supplier is what suppliers are, as shares. */
export interface Moods {
  /** Milliseconds before he answers, at least and at most. */
  readonly delay: readonly [number, number];
  /** Requests that are answered with 503. */
  readonly down: number;
  /** Requests that hang until nobody waits any more. */
  readonly hangs: number;
  /** Orders before which a price has moved. */
  readonly moves: number;
  /** Lines that have to be waited for. */
  readonly backOrders: number;
  /** Lines for which something else is sent. */
  readonly wrong: number;
}

/** Seconds from an order until it is sent. */
const packed = 20;
const hung = 60_000;
/** Shares by which a price goes up, and the difference that is none. */
const moved = { least: 0.03, most: 0.12, cent: 0.01 };
const backOrdered = 9;
const day = 86_400_000;

interface Line {
  readonly item: string;
  readonly count: number;
  readonly price: number;
}
interface Taken {
  readonly reference: string;
  readonly at: number;
  readonly lines: readonly { readonly item: string; readonly late: boolean; readonly sent: string }[];
}

const dateOf = (at: number) => new Date(at).toISOString().slice(0, 10);

/** One supplier’s books: prices as they stand, and the orders he took. */
class Books {
  private readonly random: Random;
  /** Factors on the prices, by item. */
  private readonly factors = new Map<string, number>();
  private readonly orders = new Map<string, Taken>();

  constructor(
    readonly supplier: PlayedSupplier,
    seed: number,
  ) {
    this.random = seeded(seed);
  }

  happens = (share: number) => this.random() < share;
  delay = () => {
    const [least, most] = this.supplier.moods.delay;
    return least + (most - least) * this.random();
  };

  /** What is in the catalogue of the kinds of the parts asked for. */
  offers(parts: readonly string[]) {
    const { postage, freeFrom, minimum, days, items } = this.supplier;
    const kinds = new Set(parts.map((typed) => readPart(typed).kind));
    return {
      postage,
      freeFrom,
      minimum,
      days,
      items: items
        .filter(({ typed }) => kinds.has(readPart(typed).kind))
        .map((item) => ({
          ...item,
          breaks: item.breaks.map((step) => ({ ...step, price: this.now(item.item, step.price) })),
        })),
    };
  }

  /** The answer to an order, and its status. */
  order(id: string, lines: readonly Line[]): readonly [number, unknown] {
    const known = this.orders.get(id);
    if (known) return [200, this.told(known)];
    const { items, moods } = this.supplier;
    const asked = lines.map((line) => ({ line, item: items.find(({ item }) => item === line.item) }));
    const unknown = asked.find(({ item }) => !item);
    if (unknown) return [422, { message: `no item is called ${unknown.line.item}` }];
    if (this.happens(moods.moves)) {
      const { line } = asked[Math.floor(this.random() * asked.length)]!;
      this.factors.set(
        line.item,
        (this.factors.get(line.item) ?? 1) * (1 + moved.least + (moved.most - moved.least) * this.random()),
      );
    }
    const changed = asked.flatMap(({ line, item }) => {
      const step = [...item!.breaks].reverse().find(({ from }) => line.count >= from) ?? item!.breaks[0]!;
      const price = this.now(line.item, step.price);
      return Math.abs(price - line.price) >= moved.cent / 2 ? [{ item: line.item, price }] : [];
    });
    if (changed.length > 0) return [409, { changed }];
    const taken: Taken = {
      reference: `${this.supplier.id}-${this.orders.size + 1}`,
      at: Date.now(),
      lines: asked.map(({ item }) => {
        const others = items.filter(
          (other) => other !== item && readPart(other.typed).kind === readPart(item!.typed).kind,
        );
        const sent = this.happens(moods.wrong) ? others[Math.floor(this.random() * others.length)] : item;
        return { item: item!.item, late: this.happens(moods.backOrders), sent: (sent ?? item!).typed };
      }),
    };
    this.orders.set(id, taken);
    return [201, this.told(taken)];
  }

  stateOf(reference: string): OrderAnswer | undefined {
    const found = [...this.orders.values()].find((order) => order.reference === reference);
    return found && this.told(found);
  }

  private told({ reference, at, lines }: Taken): OrderAnswer {
    const gone = Date.now() - at > packed * 1000;
    return {
      reference,
      lines: lines.map(({ item, late, sent }) => {
        const state: OrderState = late ? 'back-ordered' : gone ? 'sent' : 'taken';
        const due = dateOf(at + (this.supplier.days + (late ? backOrdered : 0)) * day);
        return { item, state, due, ...(state === 'sent' ? { sent } : {}) };
      }),
    };
  }

  private now = (item: string, price: number) => Math.round(100 * price * (this.factors.get(item) ?? 1)) / 100;
}

const longest = 200_000;

async function bodyOf(request: IncomingMessage): Promise<Record<string, unknown> | undefined> {
  let text = '';
  for await (const piece of request) {
    text += String(piece);
    if (text.length > longest) return undefined;
  }
  try {
    return JSON.parse(text) as Record<string, unknown>;
  } catch {
    return undefined;
  }
}

/**
 * A server that plays suppliers: they take their time, are down, hang, change prices, order back and send the wrong thing,
 * so that nobody has to wait for a real one to do it.
 *
 * @param seed the same moods in the same order
 */
export function supplierServer(suppliers: readonly PlayedSupplier[], seed = 1): Server {
  const books = new Map(suppliers.map((one, index) => [one.id, new Books(one, seed + index)]));
  const answer = async (request: IncomingMessage, response: ServerResponse) => {
    const [, id = '', what = '', reference = ''] = (request.url ?? '').split('/').map(decodeURIComponent);
    const send = (status: number, body: unknown) => {
      response.writeHead(status, { 'content-type': 'application/json' });
      response.end(JSON.stringify(body));
    };
    const own = books.get(id);
    if (!own) return send(404, { message: `there is no supplier ${id}` });
    const { moods } = own.supplier;
    if (own.happens(moods.hangs)) await new Promise((resolve) => setTimeout(resolve, hung).unref());
    await new Promise((resolve) => setTimeout(resolve, own.delay()));
    if (own.happens(moods.down)) return send(503, { message: 'back in a moment' });
    if (request.method === 'GET' && what === 'orders') {
      const state = own.stateOf(reference);
      return state ? send(200, state) : send(404, { message: 'no such order' });
    }
    const body = await bodyOf(request);
    if (request.method === 'POST' && what === 'offers' && Array.isArray(body?.parts))
      return send(200, own.offers(body.parts as string[]));
    if (request.method === 'POST' && what === 'orders' && Array.isArray(body?.lines))
      return send(...own.order(String(body.id), body.lines as Line[]));
    return send(400, { message: 'ask POST offers { parts }, POST orders { id, lines } or GET orders/REFERENCE' });
  };
  return createServer((request, response) => {
    void answer(request, response).catch(() => response.destroy());
  });
}
