import { type Schema, ValidationError } from 'yup';
import { Refusal } from '@/core/quantity';
import { changedAnswer, type OffersAnswer, offersAnswer, type OrderAnswer, orderAnswer, readable } from './answers';

/** What is ordered: so many of an item, at the price that was told. */
export interface OrderedItem {
  readonly item: string;
  readonly count: number;
  readonly price: number;
}

interface Habits {
  /** Milliseconds after which a try is given up. */
  readonly patience: number;
  /** Tries before the supplier counts as away; each waits twice as long as the one before. */
  readonly tries: number;
  readonly pause: number;
}

const usual: Habits = { patience: 4000, tries: 3, pause: 200 };

/** An answer longer than this, in characters, is not read. */
const longest = 4 * 1024 * 1024;

/** What is worth another try: nothing came, or the server says that it is busy or broken. */
class Away extends Error {}

/**
 * The way to a supplier’s service: JSON over HTTP, `POST offers`, `POST orders`, `GET orders/ID`. What does not come in time
 * is asked again, a few times; an order has an id of its own, so asking twice orders once.
 */
export class SupplierLink {
  private readonly habits: Habits;

  /**
   * @param title what the supplier is called in messages
   * @param address where the service stands, as `http://127.0.0.1:4895/hollin`
   * @throws Refusal where that is no address
   */
  constructor(
    private readonly title: string,
    private readonly address: string,
    habits: Partial<Habits> = {},
  ) {
    const parsed = URL.canParse(address) ? new URL(address) : undefined;
    if (!parsed || !/^https?:$/.test(parsed.protocol))
      throw new Refusal(`"${address}" is no address of a service: write it like http://127.0.0.1:4895/hollin`);
    this.habits = { ...usual, ...habits };
  }

  /** What there is of parts like these, with what sending costs. Items that are no part we can read are left out. */
  async offers(parts: readonly string[]): Promise<OffersAnswer> {
    const answer = await this.ask('offers', offersAnswer, { parts });
    return { ...answer, items: readable(answer) };
  }

  /**
   * Orders, once for each id however often it is sent.
   *
   * @throws Refusal where a price has moved, or the supplier is away
   */
  async order(id: string, lines: readonly OrderedItem[]): Promise<OrderAnswer> {
    return this.ask('orders', orderAnswer, { id, lines });
  }

  /** How an order stands, by the supplier’s reference. */
  async stateOf(reference: string): Promise<OrderAnswer> {
    return this.ask(`orders/${encodeURIComponent(reference)}`, orderAnswer);
  }

  private async ask<T>(path: string, schema: Schema<T>, body?: unknown): Promise<T> {
    const { tries, pause } = this.habits;
    for (let attempted = 1; ; attempted += 1) {
      try {
        return await this.once(path, schema, body);
      } catch (error) {
        if (!(error instanceof Away)) throw error;
        if (attempted >= tries)
          throw new Refusal(`${this.title} does not answer (${error.message}; tried ${tries} times): try again later`);
        await new Promise((resolve) => setTimeout(resolve, pause * 2 ** (attempted - 1)));
      }
    }
  }

  private async once<T>(path: string, schema: Schema<T>, body?: unknown): Promise<T> {
    let response: Response;
    let text: string;
    try {
      response = await fetch(`${this.address.replace(/\/$/, '')}/${path}`, {
        ...(body === undefined
          ? {}
          : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
        signal: AbortSignal.timeout(this.habits.patience),
        redirect: 'error',
      });
      text = await response.text();
    } catch (error) {
      throw new Away((error as Error).name === 'TimeoutError' ? 'nothing came in time' : 'no connection');
    }
    if (response.status >= 500 || response.status === 429) throw new Away(`it says ${response.status}`);
    if (text.length > longest) throw new Refusal(`${this.title} answers with more than 4 MB: that is no list of parts`);
    const read = this.read(text);
    if (response.status === 409) {
      const { changed } = this.valid(changedAnswer, read);
      throw new Refusal(
        `${this.title} has changed its prices: ${changed
          .slice(0, 5)
          .map(({ item, price }) => `${item} is ${price.toFixed(2)} now`)
          .join(', ')}. Look again before you order`,
      );
    }
    if (!response.ok) throw new Refusal(`${this.title} refuses (${response.status}): ${text.slice(0, 120)}`);
    return this.valid(schema, read);
  }

  private read(text: string): unknown {
    try {
      return JSON.parse(text);
    } catch {
      throw new Refusal(`${this.title} answers with something that is no JSON: see that its address is right`);
    }
  }

  private valid<T>(schema: Schema<T>, read: unknown): T {
    try {
      return schema.validateSync(read, { strict: true, stripUnknown: true });
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      throw new Refusal(`${this.title} answers with something else than was asked for: ${error.message}`);
    }
  }
}
