import { setImmediate } from 'node:timers/promises';
import { type Knex } from 'knex';
import { Refusal } from '@/core/quantity';
import {
  type CountedPart,
  readSearch,
  type StockLine,
  type SupplyKind,
  supplyKinds,
  type SupplyPart,
  writePart,
} from '@/core/supply';

/** A kind of part in a drawer, with how many there are. */
export interface StockRow {
  readonly id: string;
  /** As it is written: `C 680µF 50V 105°C lowesr`. */
  readonly typed: string;
  readonly kind: SupplyKind;
  readonly drawer: string;
  /** Where it came from: new, a donor’s board. */
  readonly origin: string;
  readonly count: number;
}

/** Why a count went up or down. */
export type MoveReason = 'put' | 'taken' | 'bought' | 'harvested' | 'fitted' | 'counted' | 'taken back';

const columns = ['stock_part.id', 'typed', 'kind', 'drawer', 'origin', 'count'] as const;

const countOf = async (database: Knex, part: string): Promise<number> =>
  (await database<StockRow>('stock_part').where({ id: part }).first('count'))?.count ?? 0;

/**
 * The parts that have all figures and words of a search, those there are first. A query in the words is no syntax:
 * each is quoted.
 */
export async function searchShelf(database: Knex, typed: string, most = 60): Promise<StockRow[]> {
  const { figures, words } = readSearch(typed);
  const query = database<StockRow>('stock_part').select(...columns);
  for (const { names, least, most: highest } of figures)
    void query.whereIn(
      'stock_part.id',
      database('stock_figure')
        .select('part')
        .whereIn('name', names)
        .whereBetween('value', [least, Number.isFinite(highest) ? highest : Number.MAX_VALUE]),
    );
  if (words.length > 0)
    void query.whereIn(
      'stock_part.number',
      database('stock_search')
        .select('rowid')
        .whereRaw('stock_search match ?', [words.map((word) => `"${word.replaceAll('"', '')}"*`).join(' ')]),
    );
  const rows = await query.orderByRaw('(count = 0), typed').limit(most);
  return rows as unknown as StockRow[];
}

/** So far from what is wanted a figure may be and still be worth judging. */
const worthJudging = { least: 0.4, most: 2.6 };

/**
 * What there is that may do in place of a part: of its kind, the first figure it is known by not far off, the nearest
 * first.
 */
export async function stockLike(database: Knex, { kind, figures }: SupplyPart, most = 2000): Promise<StockRow[]> {
  const [name = ''] = Object.keys(supplyKinds[kind].figures);
  const value = figures[name];
  const there = () =>
    database<StockRow>('stock_part')
      .select(...columns)
      .where({ kind })
      .where('count', '>', 0)
      .limit(most);
  if (typeof value !== 'number') return (await there()) as unknown as StockRow[];
  // From the value upwards and downwards the index gives them in their order: nothing is sorted but what is taken.
  const from = (least: number, highest: number, order: 'asc' | 'desc') =>
    there()
      .select('stock_figure.value as figure')
      .join('stock_figure', 'stock_figure.part', 'stock_part.id')
      .where('stock_figure.name', name)
      .whereBetween('stock_figure.value', [least, highest])
      .orderBy('stock_figure.value', order) as unknown as Promise<(StockRow & { readonly figure: number })[]>;
  const [above, below] = await Promise.all([
    from(value, worthJudging.most * value, 'asc'),
    from(worthJudging.least * value, value, 'desc'),
  ]);
  const off = ({ figure }: { readonly figure: number }) => Math.abs(Math.log(figure / value));
  const nearest = [...above, ...below.filter(({ figure }) => figure < value)].sort((a, b) => off(a) - off(b));
  return nearest.slice(0, most).map(({ figure: _, ...row }) => row);
}

/** How many kinds lie there, and how many pieces in all. */
export async function shelfSize(database: Knex): Promise<{ readonly kinds: number; readonly pieces: number }> {
  const [kinds] = await database('stock_part').count('* as all');
  const [pieces] = await database('stock_move').sum('delta as all');
  return { kinds: Number(kinds?.all ?? 0), pieces: Number(pieces?.all ?? 0) };
}

interface Move {
  readonly id: string;
  readonly at: string;
  readonly why: MoveReason;
  readonly need?: string;
}

/**
 * Puts parts on the shelf: beside those of their kind in the same drawer, or as a kind of its own.
 *
 * @returns the row as it stands
 */
export async function putOnShelf(
  database: Knex,
  { part, count, drawer }: CountedPart,
  origin: string,
  move: Move,
): Promise<StockRow> {
  const typed = writePart(part);
  return database.transaction(async (work) => {
    const known = await work<StockRow>('stock_part').where({ typed, drawer, origin }).first();
    const id = known?.id ?? move.id;
    if (!known) {
      await work('stock_part').insert({ id, typed, kind: part.kind, drawer, origin });
      const figures = Object.entries(part.figures).flatMap(([name, value]) =>
        typeof value === 'number' ? [{ part: id, name, value }] : [],
      );
      if (figures.length > 0) await work('stock_figure').insert(figures);
    }
    await work('stock_move')
      .insert({ ...move, part: id, delta: count })
      .onConflict('id')
      .ignore();
    return { id, typed, kind: part.kind, drawer, origin, count: await countOf(work, id) };
  });
}

/**
 * Puts a whole list on the shelf, all of it or nothing.
 *
 * @param id makes the id of the line at a place of the list
 * @param signal gives it up: then nothing of it is put
 */
export async function putList(
  database: Knex,
  lines: readonly StockLine[],
  id: (at: number) => string,
  at: string,
  signal?: AbortSignal,
): Promise<void> {
  await database.transaction(async (work) => {
    const key = (typed: string, drawer: string, origin: string) => JSON.stringify([typed, drawer, origin]);
    const rows = await work<StockRow>('stock_part').select('id', 'typed', 'drawer', 'origin');
    const known = new Map(rows.map((row) => [key(row.typed, row.drawer, row.origin), row.id]));
    const fresh: object[] = [];
    const figures: object[] = [];
    const moves = lines.map(({ part, count, drawer, origin }, line) => {
      const typed = writePart(part);
      const named = key(typed, drawer, origin);
      let own = known.get(named);
      if (own === undefined) {
        known.set(named, (own = id(line)));
        fresh.push({ id: own, typed, kind: part.kind, drawer, origin });
        for (const [name, value] of Object.entries(part.figures))
          if (typeof value === 'number') figures.push({ part: own, name, value });
      }
      return { id: id(line), part: own, delta: count, why: 'put' satisfies MoveReason, at };
    });
    const insert = async (table: string, rows: readonly object[], size: number) => {
      for (let from = 0; from < rows.length; from += size) {
        // Between pieces the server hears others, and that it is given up.
        await setImmediate();
        signal?.throwIfAborted();
        await work(table).insert(rows.slice(from, from + size));
      }
    };
    await insert('stock_part', fresh, 120);
    await insert('stock_figure', figures, 250);
    await insert(
      'stock_move',
      moves.filter(({ delta }) => delta > 0),
      120,
    );
  });
}

/** All that is on the shelf, for a list. */
export async function wholeShelf(database: Knex): Promise<StockRow[]> {
  return (await database<StockRow>('stock_part')
    .select(...columns)
    .orderBy('typed')) as unknown as StockRow[];
}

/**
 * Puts on or takes off so many of a part.
 *
 * @throws Refusal where there are not so many
 */
export async function moveStock(database: Knex, part: string, delta: number, move: Move): Promise<number> {
  return database.transaction(async (work) => {
    const row = await work<StockRow>('stock_part').where({ id: part }).first();
    if (!row) throw new Refusal('there is no such part on the shelf');
    const there = await countOf(work, part);
    // A movement that is sent once more has been made.
    if (await work('stock_move').where('id', move.id).first('id')) return there;
    if (there + delta < 0)
      throw new Refusal(
        `there ${there === 1 ? 'is' : 'are'} only ${there} of ${row.typed} in ${row.drawer || 'the shelf'}, and ${-delta} are wanted`,
      );
    await work('stock_move')
      .insert({ ...move, part, delta })
      .onConflict('id')
      .ignore();
    return countOf(work, part);
  });
}

/**
 * Takes a movement back by its opposite; both stay on record. Twice does nothing more.
 *
 * @throws Refusal where the pieces are gone by now
 */
export async function takeMoveBack(database: Knex, move: string, id: string, at: string): Promise<void> {
  await database.transaction(async (work) => {
    const row = await work<{ id: string; part: string; delta: number }>('stock_move').where({ id: move }).first();
    if (!row) throw new Refusal('there is no such movement');
    if ((await countOf(work, row.part)) < row.delta)
      throw new Refusal('these pieces have been taken since: put them back first');
    await work('stock_move')
      .insert({ id, part: row.part, delta: -row.delta, why: 'taken back' satisfies MoveReason, undoes: move, at })
      .onConflict('undoes')
      .ignore();
  });
}
