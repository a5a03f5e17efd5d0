import { type Knex } from 'knex';
import { type OnOrder } from '@/core/days';
import { Refusal } from '@/core/quantity';
import { type CountedPart, type NeedState, nextStates, readPart, substitute, writePart } from '@/core/supply';
import { setWaiting, type Waiting } from './jobs';
import { donorPart, moveDonorPart, takeDonorMoveBack } from './donors';
import { moveStock, putOnShelf, type StockRow, takeMoveBack } from './shelf';

/** So many of a part that a job needs. */
export interface Need {
  readonly id: string;
  readonly job: string;
  readonly set: string;
  readonly typed: string;
  readonly count: number;
  readonly state: NeedState;
  readonly supplier: string;
  /** ISO date it should be here; empty when nobody said. */
  readonly due: string;
  readonly price: number | null;
  readonly since: string;
}

const latest = `select max(seq) from need_event group by need`;

function rows(database: Knex) {
  return database('need')
    .join('need_event', 'need_event.need', 'need.id')
    .join('job', 'job.id', 'need.job')
    .whereRaw(`need_event.seq in (${latest})`)
    .select<Need[]>(
      'need.id',
      'need.job',
      'job.title as set',
      'need.typed',
      'need.count',
      'need_event.state',
      'need_event.supplier',
      'need_event.due',
      'need_event.price',
      'need_event.at as since',
    );
}

/** All that open jobs need or have been given, and what was fitted of late; the longest waiting first. */
export async function openNeeds(database: Knex): Promise<Need[]> {
  return rows(database).whereNull('job.closed_at').orderByRaw('need.at, need.rowid');
}

/** The stretches in which parts were on order that lie within some days or reach into them. */
export async function onOrderWithin(database: Knex, from: string, until: string): Promise<OnOrder[]> {
  const events = (await database('need_event')
    .join('need', 'need.id', 'need_event.need')
    .join('job', 'job.id', 'need.job')
    .where('need_event.at', '<', until)
    .orderBy('need_event.seq')
    .select('need.id', 'need.job', 'job.title', 'need.typed', 'need_event.state', 'need_event.at')) as {
    readonly id: string;
    readonly job: string;
    readonly title: string;
    readonly typed: string;
    readonly state: NeedState;
    readonly at: string;
  }[];
  const open = new Map<string, OnOrder>();
  const done: OnOrder[] = [];
  for (const { id, job, title, typed, state, at } of events) {
    const stands = open.get(id);
    if (state === 'ordered') {
      if (!stands) open.set(id, { job, title, typed, from: at, until: undefined });
    } else if (stands) {
      open.delete(id);
      if (at > from) done.push({ ...stands, until: at });
    }
  }
  return [...done, ...open.values()];
}

/** What was fitted since a moment, and how many. */
export async function fittedNeeds(database: Knex, since: string): Promise<Pick<Need, 'typed' | 'count'>[]> {
  return rows(database).where({ 'need_event.state': 'fitted' }).where('need_event.at', '>=', since);
}

/** Writes down what a job needs. The same id twice writes it once. */
export async function addNeed(
  database: Knex,
  job: string,
  { part, count }: CountedPart,
  id: string,
  at: string,
): Promise<void> {
  await database.transaction(async (work) => {
    const open = await work('job').where({ id: job }).whereNull('closed_at').first('id');
    if (!open) throw new Refusal('this job is closed or gone: choose a set that is in the house');
    const known = await work('need').where({ id }).first('id');
    if (known) return;
    await work('need').insert({ id, job, typed: writePart(part), count, at });
    await work('need_event').insert({ id, need: id, state: 'wanted', supplier: '', due: '', price: null, at });
  });
}

export interface NeedChange {
  readonly id: string;
  readonly need: string;
  readonly state: NeedState;
  readonly supplier: string;
  readonly due: string;
  readonly price: number | null;
  readonly at: string;
}

/**
 * Moves a need on, and the job with it: while something is on order the job waits for it, and is back in the queue
 * when the last of it is here.
 *
 * @throws Refusal where it cannot follow what stands
 */
export async function moveNeed(database: Knex, change: NeedChange): Promise<void> {
  await database.transaction(async (work) => moveIn(work, change));
}

/** As `moveNeed`, within a transaction. */
export async function moveIn(work: Knex, { id, need, ...event }: NeedChange): Promise<void> {
  const current = (await rows(work).where('need.id', need).first()) as Need | undefined;
  if (!current) throw new Refusal('there is no such need');
  // What is on order may get another date.
  const again = current.state === 'ordered' && event.state === 'ordered';
  if (!again && !nextStates[current.state].includes(event.state))
    throw new Refusal(
      `what is ${current.state} cannot be ${event.state} next: it can be ${nextStates[current.state].join(', ')}`,
    );
  await work('need_event')
    .insert({ id, need, ...event })
    .onConflict('id')
    .ignore();
  if (current.state === 'here' && event.state === 'wanted') await putBack(work, need, id, event.at);
  if (current.state === 'ordered' && event.state === 'here') await keepOver(work, need, event.at);
  const ordered = ((await rows(work).where('need.job', current.job)) as Need[]).filter(
    ({ state }) => state === 'ordered',
  );
  const job = await work<{ id: string; waiting: string | null }>('job').where({ id: current.job }).first('waiting');
  const waiting = job?.waiting == null ? null : (JSON.parse(job.waiting) as Waiting);
  // What waits for something else besides goes on waiting for that.
  if (ordered.length > 0 && (waiting === null || waiting.for === 'part')) {
    const until = ordered
      .map(({ due }) => due)
      .sort()
      .at(-1)!;
    await setWaiting(work, current.job, {
      for: 'part',
      note: ordered
        .map(({ typed }) => typed)
        .join(', ')
        .slice(0, 200),
      until,
    });
  } else if (waiting?.for === 'part') await setWaiting(work, current.job, null);
}

/** What was taken for a need goes back to where it was: its drawer, or the donor. */
async function putBack(work: Knex, need: string, id: string, at: string): Promise<void> {
  const taken = (table: string) =>
    work<{ id: string; need: string; seq: number }>(table)
      .where({ need })
      .whereNotIn('id', work(table).select('undoes').whereNotNull('undoes'))
      .orderBy('seq', 'desc')
      .first('id');
  const fromShelf = await taken('stock_move');
  if (fromShelf) return takeMoveBack(work, fromShelf.id, id, at);
  const fromDonor = await taken('donor_move');
  if (fromDonor) await takeDonorMoveBack(work, fromDonor.id, id, at);
}

/** Pieces that were bought beyond the need, as a price break made that cheaper, go on the shelf when they are here. */
async function keepOver(work: Knex, need: string, at: string): Promise<void> {
  const line = await work('order_line')
    .join('supplier_order', 'supplier_order.id', 'order_line.order')
    .join('supplier', 'supplier.id', 'supplier_order.supplier')
    .where({ need })
    .orderBy('supplier_order.at', 'desc')
    .first<{ order: string; typed: string; over: number; title: string }>('order', 'typed', 'over', 'supplier.title');
  if (!line || line.over === 0) return;
  const counted = { part: readPart(line.typed), count: line.over, drawer: '' };
  await putOnShelf(work, counted, line.title, { id: `${line.order}/${need}`, at, why: 'bought' });
}

/**
 * Takes what is needed from the shelf: the count falls and the need is here, both or neither.
 *
 * @throws Refusal where the part does not do, or there are not enough
 */
export async function takeForNeed(database: Knex, need: string, part: string, id: string, at: string): Promise<void> {
  await database.transaction(async (work) => {
    const wanted = (await rows(work).where('need.id', need).first()) as Need | undefined;
    const there = await work<StockRow>('stock_part').where({ id: part }).first();
    if (!wanted || !there) throw new Refusal('there is no such need, or no such part on the shelf');
    refuseUnfit(wanted.typed, there.typed);
    await moveStock(work, part, -wanted.count, { id, at, why: 'taken', need });
    await moveIn(work, { id, need, state: 'here', supplier: `shelf ${there.drawer}`.trim(), due: '', price: null, at });
  });
}

/**
 * Takes what is needed out of a donor: it has fewer and the need is here, both or neither.
 *
 * @throws Refusal where the part does not do, or there are not enough
 */
export async function takeFromDonor(database: Knex, need: string, part: string, id: string, at: string): Promise<void> {
  await database.transaction(async (work) => {
    const wanted = (await rows(work).where('need.id', need).first()) as Need | undefined;
    const there = await donorPart(work, part);
    if (!wanted || !there) throw new Refusal('there is no such need, or no such part in a donor');
    refuseUnfit(wanted.typed, there.typed);
    await moveDonorPart(work, part, -wanted.count, { id, at, why: 'taken', need });
    await moveIn(work, {
      id,
      need,
      state: 'here',
      supplier: `from ${there.title}`.slice(0, 60),
      due: '',
      price: null,
      at,
    });
  });
}

/** @throws Refusal where a part does not do for another */
function refuseUnfit(wanted: string, typed: string): void {
  const { verdict, fields } = substitute(readPart(wanted), readPart(typed));
  if (verdict === 'no') throw new Refusal(`${typed} does not do: ${fields[0]!.reason}`);
}
