import { type Knex } from 'knex';
import { Refusal } from '@/core/quantity';
import { type CatalogueItem, readPart, type SupplyKind } from '@/core/supply';
import { moveIn } from './needs';

/** Who sells parts, and on what terms. */
export interface SupplierRow {
  readonly id: string;
  readonly title: string;
  /** Address of the supplier’s service; empty where there is none. */
  readonly link: string;
  readonly postage: number;
  readonly freeFrom: number | null;
  readonly minimum: number | null;
  readonly days: number;
}

/** An item of a catalogue with when its price was seen. */
export interface SeenItem extends CatalogueItem {
  readonly seen: string;
}

const columns = ['id', 'title', 'link', 'postage', 'free_from as freeFrom', 'minimum', 'days'] as const;

export async function suppliers(database: Knex): Promise<SupplierRow[]> {
  return (await database('supplier')
    .select(...columns)
    .orderBy('title')) as SupplierRow[];
}

/** @throws Refusal where another supplier has that title */
export async function saveSupplier(database: Knex, { freeFrom, ...row }: SupplierRow): Promise<void> {
  const other = await database('supplier').where({ title: row.title }).whereNot({ id: row.id }).first('id');
  if (other) throw new Refusal(`there is a supplier called ${row.title} already`);
  await database('supplier')
    .insert({ ...row, free_from: freeFrom })
    .onConflict('id')
    .merge();
}

/** Keeps on what terms a supplier sends, as he told them last. */
export async function keepTerms(
  database: Knex,
  supplier: string,
  { postage, freeFrom, minimum, days }: Pick<SupplierRow, 'postage' | 'freeFrom' | 'minimum' | 'days'>,
): Promise<void> {
  await database('supplier').where({ id: supplier }).update({ postage, free_from: freeFrom, minimum, days });
}

/** Keeps what a supplier has as it was seen; with `whole` nothing else is in the catalogue any more. */
export async function keepItems(
  database: Knex,
  supplier: string,
  items: readonly CatalogueItem[],
  seen: string,
  whole = false,
): Promise<void> {
  await database.transaction(async (work) => {
    if (whole) await work('supplier_item').where({ supplier }).delete();
    const rows = items.map(({ item, typed, breaks, stock, days }) => ({
      supplier,
      item,
      typed,
      kind: readPart(typed).kind,
      breaks: JSON.stringify(breaks),
      stock: stock ?? null,
      days: days ?? null,
      seen,
    }));
    for (let from = 0; from < rows.length; from += 100)
      await work('supplier_item')
        .insert(rows.slice(from, from + 100))
        .onConflict(['supplier', 'item'])
        .merge();
  });
}

/** How many items are known of each supplier. */
export async function knownItems(database: Knex): Promise<ReadonlyMap<string, number>> {
  const rows = await database('supplier_item').select('supplier').count('* as items').groupBy('supplier');
  return new Map(rows.map(({ supplier, items }) => [String(supplier), Number(items)]));
}

/** What all suppliers are known to have, each with the price of one piece. */
export async function cheapestOffers(database: Knex): Promise<{ readonly typed: string; readonly price: number }[]> {
  const rows = await database<{ typed: string; breaks: string }>('supplier_item').select('typed', 'breaks');
  return rows
    .map(({ typed, breaks }) => ({
      typed,
      price: (JSON.parse(breaks) as CatalogueItem['breaks'])[0]!.price,
    }))
    .sort((a, b) => a.price - b.price);
}

/** What is known of a supplier’s catalogue, of some kinds of part. */
export async function itemsOf(database: Knex, supplier: string, kinds: readonly SupplyKind[]): Promise<SeenItem[]> {
  const rows = await database<{
    supplier: string;
    kind: SupplyKind;
    item: string;
    typed: string;
    breaks: string;
    stock: number | null;
    days: number | null;
    seen: string;
  }>('supplier_item')
    .where({ supplier })
    .whereIn('kind', kinds)
    .orderBy('item');
  return rows.map(({ item, typed, breaks, stock, days, seen }) => ({
    item,
    typed,
    breaks: JSON.parse(breaks) as CatalogueItem['breaks'],
    stock: stock ?? undefined,
    days: days ?? undefined,
    seen,
  }));
}

/** A line of an order: what is bought for a need, and pieces over that go on the shelf. */
export interface OrderLine {
  readonly need: string;
  readonly item: string;
  readonly typed: string;
  readonly count: number;
  readonly over: number;
  readonly price: number;
  /** ISO date it should be here; empty when nobody said. */
  readonly due: string;
}

/** An order as it is written down. */
export interface NewOrder {
  readonly id: string;
  readonly supplier: string;
  /** The supplier’s own name of it; empty where it was ordered by hand. */
  readonly reference: string;
  readonly postage: number;
  readonly lines: readonly OrderLine[];
  readonly at: string;
}

/** Writes an order down, and its needs as ordered: all of it or nothing. The same id twice writes it once. */
export async function addOrder(database: Knex, { lines, ...order }: NewOrder): Promise<void> {
  await database.transaction(async (work) => {
    if (await work('supplier_order').where({ id: order.id }).first('id')) return;
    const supplier = await work<SupplierRow>('supplier').where({ id: order.supplier }).first('title');
    if (!supplier) throw new Refusal('there is no such supplier');
    await work('supplier_order').insert(order);
    for (const { due, ...line } of lines) {
      await work('order_line').insert({ ...line, order: order.id });
      await moveIn(work, {
        id: `${order.id}/${line.need}`,
        need: line.need,
        state: 'ordered',
        supplier: supplier.title,
        due,
        price: line.price,
        at: order.at,
      });
    }
  });
}

/** What a supplier said of a line of an order. */
export interface OrderWord {
  readonly item: string;
  readonly state: string;
  /** ISO date; empty when not said. */
  readonly due: string;
  /** What the delivery note says was sent; empty before. */
  readonly sent: string;
}

/** An order that something is still to come of. */
export interface OpenOrder {
  readonly id: string;
  readonly supplier: string;
  readonly title: string;
  readonly reference: string;
  readonly at: string;
  readonly lines: readonly (OrderLine & { readonly set: string; readonly said: OrderWord | undefined })[];
}

/** Orders of which a need is still on order, with what was last said of each line. */
export async function openOrders(database: Knex): Promise<OpenOrder[]> {
  const rows = await database('order_line')
    .join('supplier_order', 'supplier_order.id', 'order_line.order')
    .join('supplier', 'supplier.id', 'supplier_order.supplier')
    .join('need', 'need.id', 'order_line.need')
    .join('job', 'job.id', 'need.job')
    .join('need_event', 'need_event.need', 'need.id')
    .whereRaw('need_event.seq in (select max(seq) from need_event group by need)')
    .where({ 'need_event.state': 'ordered' })
    // Ordered anew elsewhere, a need belongs to that order.
    .whereRaw(
      `order_line."order" = (select l."order" from order_line l join supplier_order o on o.id = l."order" where l.need = need.id order by o.at desc, o.rowid desc limit 1)`,
    )
    .select<
      (OrderLine & {
        readonly order: string;
        readonly supplier: string;
        readonly title: string;
        readonly reference: string;
        readonly at: string;
        readonly set: string;
      })[]
    >(
      'order_line.*',
      'supplier_order.supplier',
      'supplier.title',
      'supplier_order.reference',
      'supplier_order.at',
      'job.title as set',
      'need_event.due',
    )
    .orderBy(['supplier_order.at', 'order_line.item']);
  const words = await database<OrderWord & { order: string; seq: number }>('order_word')
    .whereIn('order', [...new Set(rows.map(({ order }) => order))])
    .orderBy('seq');
  const said = new Map(
    words.map(({ order, item, state, due, sent }) => [`${order}/${item}`, { item, state, due, sent }]),
  );
  const orders = new Map<string, OpenOrder & { lines: OpenOrder['lines'][number][] }>();
  for (const { order: id, supplier, title, reference, at, ...line } of rows) {
    const order = orders.get(id) ?? { id, supplier, title, reference, at, lines: [] };
    order.lines.push({ ...line, said: said.get(`${id}/${line.item}`) });
    orders.set(id, order);
  }
  return [...orders.values()];
}

/** Keeps what a supplier said of an order; a new date is the needs’ date as well. */
export async function keepWords(
  database: Knex,
  order: Pick<OpenOrder, 'id' | 'title' | 'lines'>,
  words: readonly OrderWord[],
  at: string,
): Promise<void> {
  await database.transaction(async (work) => {
    for (const word of words) {
      const lines = order.lines.filter(({ item }) => item === word.item);
      if (lines.length === 0) continue;
      const [{ said }] = lines as [OpenOrder['lines'][number]];
      if (said?.state === word.state && said.due === word.due && said.sent === word.sent) continue;
      const [seq] = (await work('order_word').insert({ ...word, order: order.id, at })) as [number];
      for (const { need, due, price } of lines)
        if (word.due !== '' && word.due !== due)
          await moveIn(work, {
            id: `${order.id}/${need}/${seq}`,
            need,
            state: 'ordered',
            supplier: order.title,
            due: word.due,
            price,
            at,
          });
    }
  });
}
