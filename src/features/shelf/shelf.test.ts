import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { readPart, readShelfLine } from '@/core/supply';
import { database, searchShelf, shelfSize, type StockRow } from '@/store';
import { movePieces, putTyped, undoMove } from './actions';
import { giveList, takeList } from './handleList';
import { findOnShelf, loadShelf } from './load';
import { askedIn, rankedFor, sizeOf } from './shelfModel';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-shelf-'));
  process.env.TOVRIK_DB = path.join(folder, 'tovrik.db');
});
afterAll(async () => {
  await (await database()).destroy();
  rmSync(folder, { recursive: true });
});

const stock = (...typed: readonly string[]): StockRow[] =>
  typed.map((one, at) => ({ id: String(at), typed: one, kind: 'capacitor', drawer: '', origin: '', count: 2 }));
const would = (line: string, ...typed: readonly string[]) => {
  const read = readShelfLine(line);
  if (read.do !== 'for') throw new Error('no such line');
  return rankedFor(read, stock(...typed));
};

describe('what would do', () => {
  it('names like for like first, then better, then what is to be watched, and last what misses by one figure', () => {
    const rows = would(
      'for C 680u 50V 105 lowesr',
      'C 680u 100V 105 lowesr',
      'C 680u 35V 105 lowesr',
      'C 560u 50V 105 lowesr',
      'C 680u 50V 105 lowesr',
      'C 680u 35V 85',
    );
    expect(rows.map(({ verdict, typed }) => [verdict, typed])).toEqual([
      ['fits', 'C 680u 50V 105 lowesr'],
      ['better', 'C 680u 100V 105 lowesr'],
      ['watch', 'C 560u 50V 105 lowesr'],
      ['no', 'C 680u 35V 105 lowesr'],
    ]);
  });

  it('says why with what is watched or missed, and what to alter', () => {
    const [watched] = would('for C 220u 35V 10x16/5', 'C 220u 35V 10x16/7.5');
    expect(watched!.reason).toBe('size: leads 7.5 mm apart, the holes 5 · bend the leads to 5 mm');
    const [missed] = would('for C 220u 35V at 40 V', 'C 220u 35V');
    expect(missed!.reason).toBe('volts: 35V, and the place puts 40V on it');
  });

  it('passes over what is another part altogether', () => {
    expect(would('for C 680u 50V', 'C 470n 250V film')).toEqual([]);
  });
});

describe('the shelf as a page uses it', () => {
  const id = () => crypto.randomUUID();

  it('puts, takes and takes back, each with one message where it cannot', async () => {
    const put = await putTyped({ id: id(), typed: 'C 33u 63V 105 x5 in X1', origin: 'new' });
    if (!('done' in put)) throw new Error(put.refused);
    const move = id();
    expect(await movePieces({ id: move, part: put.done.id, delta: -3 })).toEqual({ done: 2 });
    // The same movement sent twice counts once.
    expect(await movePieces({ id: move, part: put.done.id, delta: -3 })).toEqual({ done: 2 });
    expect(await movePieces({ id: id(), part: put.done.id, delta: -3 })).toEqual({
      refused: expect.stringContaining('only 2') as unknown,
    });
    expect(await movePieces({ id: id(), part: put.done.id, delta: 0 })).toEqual({ refused: 'none is no movement' });
    expect(await undoMove({ id: id(), move })).toEqual({ done: undefined });
    expect((await findOnShelf('33u')).rows[0]!.count).toBe(5);
    expect(await putTyped({ id: id(), typed: 'C lots', origin: 'new' })).toEqual({
      refused: expect.stringContaining('"lots"') as unknown,
    });
  });

  it('tells a line that cannot be read yet as such, and finds nothing by it', async () => {
    expect(await findOnShelf('for Z 12')).toEqual({
      rows: [],
      refused: expect.stringContaining('"Z" is no kind') as unknown,
    });
    expect((await loadShelf('')).size.kinds).toBe(1);
  });

  const list = (text: string, put = '') =>
    takeList(new Request(`http://localhost/api/shelf/list${put}`, { method: 'POST', body: text }));

  it('looks at a list before it is put, and puts all of it or nothing', async () => {
    const text = 'part,count,drawer,from\nR 33k 0.5W,20,X2,old\nC 33u 63V 105,1,X1,new\n';
    expect(await (await list(text)).json()).toEqual({ lines: 2, pieces: 21 });
    expect((await shelfSize(await database())).kinds).toBe(1);
    expect((await list(`${text}Z 1,1,,\n`, '?put')).status).toBe(422);
    expect((await shelfSize(await database())).kinds).toBe(1);
    await list(text, '?put');
    expect(await shelfSize(await database())).toEqual({ kinds: 2, pieces: 26 });
    const written = await (await giveList()).text();
    expect(written.split('\r\n')).toEqual([
      'part,count,drawer,from',
      'C 33µF 63V 105°C,6,X1,new',
      'R 33kΩ 0.5W,20,X2,old',
    ]);
  });

  it('puts twenty thousand lines in one go', async () => {
    const lines = Array.from({ length: 20_000 }, (_, at) => `U no VX${at} dip16,1,D${at % 40},lot`);
    const answer = await list(['part,count,drawer,from', ...lines].join('\n'), '?put');
    expect(await answer.json()).toEqual({ lines: 20_000, pieces: 20_000 });
    expect(await searchShelf(await database(), 'VX19999')).toHaveLength(1);
  });
});

describe('a part from above', () => {
  const of = (typed: string) => sizeOf(readPart(typed));
  it('is round where a can has two figures, a box where there are three, unknown where none is said', () => {
    expect(of('C 680u 50V 12.5x25/5')).toEqual({ across: 12.5, deep: 12.5, round: true, pitch: 5 });
    expect(of('C 8n2 1600V film 22x16x8/20')).toEqual({ across: 22, deep: 16, round: false, pitch: 20 });
    expect(of('C 680u 50V')).toBeUndefined();
  });

  it('is asked for by a line that can be read, and by none that cannot', () => {
    expect(askedIn('for C 680u 50V at 24 V')).toMatchObject({ do: 'for', part: { kind: 'capacitor' } });
    expect(askedIn('for C 680u 50V at sparkling')).toBeUndefined();
    expect(askedIn('680u 50V')).toBeUndefined();
  });
});
