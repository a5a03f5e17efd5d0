import { createHash } from 'node:crypto';
import { createWriteStream, existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import knex, { type Knex } from 'knex';
import { beforeAll, describe, expect, it } from 'vitest';
import { ZipFile } from 'yazl';
import { readCounted } from '@/core/supply';
import { takenIn } from '../../../tests/fixtures/takenIn';
import {
  addDonorPart,
  addJob,
  addNeed,
  addOrder,
  addPhoto,
  appendLog,
  causesOf,
  closedCounts,
  closeJob,
  exportShop,
  findJob,
  importShop,
  openDatabase,
  ownSheets,
  putOnShelf,
  readCauses,
  saveDonor,
  saveSheet,
  saveSupplier,
  searchNotes,
  searchShelf,
  sheetsOfJob,
  takeCauses,
} from '..';
import { mergeArchive } from './merge';
import { openArchive } from './open';
import { archivedTables } from './tables';

const folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-archive-'));
const at = (name: string) => path.join(folder, name);
const now = new Date('2026-11-24T12:00:00Z');
const instant = now.toISOString();

async function within<T>(file: string, go: (db: Knex) => Promise<T>): Promise<T> {
  const db = await openDatabase(file);
  try {
    return await go(db);
  } finally {
    await db.destroy();
  }
}

/** All rows of a database, by table, without what is numbered in it alone. */
const contentsOf = (file: string) =>
  within(file, async (db) =>
    Object.fromEntries(
      await Promise.all(
        archivedTables.map(async ({ name, counted }) => {
          const rows = (await db(name).orderBy('rowid')) as Record<string, unknown>[];
          return [name, rows.map((row) => ({ ...row, ...(counted === undefined ? {} : { [counted]: 0 }) }))] as const;
        }),
      ),
    ),
  );

const note = {
  sheet: 'halvane-hp-42',
  title: 'Halvane HP-42: upper half dark',
  chassis: 'Halvane HP-42',
  symptom: 'Upper half dark',
  cause: 'C547 dry',
  proof: '',
  cure: '',
  misled: '',
  parts: '',
  remember: 'the grey wire is behind the heat sink',
  accepted: '',
  fault: 'C547.dry',
  money: 1,
  minutes: 40,
  outcome: 'returned',
  closedAt: instant,
} as const;

const line = (id: string, text: string) => ({ id, at: instant, body: { kind: 'note', text } as const });

beforeAll(async () => {
  await within(at('shop.db'), async (db) => {
    await saveSheet(db, { id: 'own-set', text: 'id: own-set\nextends: own-base\n', at: instant }, 0);
    await saveSheet(db, { id: 'own-base', text: 'id: own-base\n', at: instant }, 0);
    await addJob(db, takenIn('one', { sheet: 'own-set', label: { vs: 187.5 } }));
    await addJob(db, takenIn('two', { sheet: 'halvane-hp-42' }));
    await appendLog(db, 'one', [line('line-0001', 'grüße\nfrom the bench'), line('line-0002', 'dark')], 0);
    await appendLog(db, 'two', [line('line-0003', 'hums')], 0);
    await addPhoto(db, { id: 'photo-0001', job: 'one', at: instant, type: 'image/png', bytes: Buffer.from([1, 2, 0]) });
    await closeJob(db, { ...note, job: 'two' });
    await db('job').where({ id: 'one' }).update({ former: 'two' });
    await putOnShelf(db, readCounted('C 680u 50V x4 in B3'), 'new', { id: 'stock-0001', why: 'bought', at: instant });
    await saveSupplier(db, {
      id: 'sup-1',
      title: 'Pier Parts',
      link: '',
      postage: 4,
      freeFrom: null,
      minimum: null,
      days: 3,
    });
    await db('supplier_item').insert({
      supplier: 'sup-1',
      item: 'C68',
      typed: 'C 680µF 50V',
      kind: 'C',
      breaks: '[{"from":1,"price":0.4}]',
      stock: 9,
      days: 2,
      seen: instant,
    });
    await addNeed(db, 'one', readCounted('C 680u 50V x2'), 'need-0001', instant);
    await addOrder(db, {
      id: 'order-0001',
      supplier: 'sup-1',
      reference: 'A1',
      postage: 4,
      at: instant,
      lines: [
        { need: 'need-0001', item: 'C68', typed: 'C 680µF 50V', count: 2, over: 0, price: 0.4, due: '2026-11-27' },
      ],
    });
    await db('order_word').insert({
      order: 'order-0001',
      item: 'C68',
      state: 'sent',
      due: '2026-11-27',
      sent: '',
      at: instant,
    });
    await saveDonor(db, { id: 'donor-0001', title: 'Kerb find', place: 'loft', note: '', at: instant });
    await addDonorPart(
      db,
      'donor-0001',
      readCounted('C 100u 35V x3'),
      { board: 'PSU', condition: 'unknown', minutes: 3 },
      { id: 'dpart-0001', at: instant },
    );
    await takeCauses(db, {
      format: 'tovrik-causes/1',
      source: 'another-shop',
      made: instant,
      counts: [{ sheet: 'halvane-hp-42', fault: 'C547.dry', count: 8 }],
    });
  });
  await exportShop(at('shop.db'), at('shop.zip'), { all: true }, now);
}, 300_000);

/** The archive with one of its files changed, and its manifest as it would be if it had been written so. */
async function forged(name: string, file: string, change: (text: string) => string, sound = true): Promise<string> {
  const archive = await openArchive(at('shop.zip'));
  const files = new Map(
    await Promise.all(archive.manifest.files.map(async (one) => [one.name, await archive.file(one.name)] as const)),
  );
  archive.close();
  files.set(file, Buffer.from(change(files.get(file)!.toString())));
  const sums = [...files].map(([one, bytes]) => ({
    name: one,
    bytes: bytes.length,
    sha256: createHash('sha256').update(bytes).digest('hex'),
  }));
  const zip = new ZipFile();
  for (const [one, bytes] of files) zip.addBuffer(bytes, one);
  zip.addBuffer(
    Buffer.from(JSON.stringify({ ...archive.manifest, files: sound ? sums : archive.manifest.files })),
    'shop.json',
  );
  zip.end();
  await pipeline(zip.outputStream, createWriteStream(at(name)));
  return at(name);
}

const here = { prefer: 'here' } as const;

describe('the archive of a shop', () => {
  it('has every table of the database in it that is not worked out from others, each with rows in this test', async () => {
    const tables = await within(at('shop.db'), (db) =>
      db('sqlite_master').where({ type: 'table' }).pluck<string[]>('name'),
    );
    const own = tables.filter((name) => !/^(sqlite_|knex_|worked_out$)|_search/.test(name));
    expect(archivedTables.map(({ name }) => name).sort()).toEqual(own.sort());
    for (const [name, rows] of Object.entries(await contentsOf(at('shop.db'))))
      expect([name, rows.length > 0]).toEqual([name, true]);
  });

  it('fills an empty shop with all there was, found by search as before; once more changes nothing', async () => {
    const merged = await importShop(at('empty.db'), at('shop.zip'), here);
    expect(merged).toMatchObject({ clashed: 0, fresh: { job: 2, log_entry: 3, photo: 1, sheet_version: 2 } });
    const was = await contentsOf(at('shop.db'));
    expect(await contentsOf(at('empty.db'))).toEqual(was);
    await within(at('empty.db'), async (db) =>
      expect(await searchNotes(db, 'grey wire')).toMatchObject({ notes: [{ job: 'two' }] }),
    );
    expect(await importShop(at('empty.db'), at('shop.zip'), here)).toMatchObject({ fresh: {}, clashed: 0 });
    expect(await contentsOf(at('empty.db'))).toEqual(was);
  });

  it('reads as documented: rows as JSON lines, sheets as YAML, pictures, CSV for spreadsheets', async () => {
    const archive = await openArchive(at('shop.zip'));
    const text = async (name: string) => (await archive.file(name)).toString();
    expect(JSON.parse((await text('tables/job.jsonl')).split('\n')[0]!)).toMatchObject({
      id: 'one',
      label: { vs: 187.5 },
    });
    expect(await text('sheets/own-set.1.yaml')).toBe('id: own-set\nextends: own-base\n');
    expect([...(await archive.file('pictures/photo-0001.png'))]).toEqual([1, 2, 0]);
    expect(await text('csv/stock_part.csv')).toMatch(/part,count,drawer,origin\r\nC 680µF 50V,4,B3,new/);
    archive.close();
  });

  it('goes into a running shop: shelves add up, closed stays closed, and what differs is shown and stays, or is taken', async () => {
    const running = at('running.db');
    await within(running, async (db) => {
      await addJob(db, takenIn('one', { sheet: 'own-set', owner: 'the museum' }));
      await addJob(db, takenIn('two', { sheet: 'halvane-hp-42' }));
      await saveSheet(db, { id: 'own-set', text: 'id: own-set\nmine: true\n', at: instant }, 0);
      await putOnShelf(db, readCounted('C 680u 50V x3 in B3'), 'new', { id: 'stock-mine', why: 'bought', at: instant });
    });
    const before = await contentsOf(running);
    const dry = await importShop(running, at('shop.zip'), { ...here, dry: true });
    expect(await contentsOf(running)).toEqual(before);
    const merged = await importShop(running, at('shop.zip'), here);
    expect(dry).toEqual(merged);
    expect(merged.clashes).toContainEqual({
      table: 'sheet_version',
      key: 'own-set 1',
      columns: [{ column: 'text', here: 'id: own-set\nmine: true\n', there: 'id: own-set\nextends: own-base\n' }],
    });
    await within(running, async (db) => {
      expect(await findJob(db, 'one')).toMatchObject({ owner: 'the museum' });
      expect(await findJob(db, 'two')).toMatchObject({ closedAt: instant });
      expect(await searchShelf(db, '680u')).toMatchObject([{ count: 7 }]);
    });
    await importShop(running, at('shop.zip'), { prefer: 'there' });
    await within(running, async (db) => {
      expect(await findJob(db, 'one')).toMatchObject({ owner: '' });
      expect(await ownSheets(db)).toMatchObject([
        { id: 'own-base' },
        { id: 'own-set', version: 2, text: 'id: own-set\nextends: own-base\n' },
      ]);
      expect(await searchShelf(db, '680u')).toMatchObject([{ count: 7 }]);
    });
  });

  it('of one set holds that set, its record, its pictures and the sheets it lies upon', async () => {
    const sheets = await within(at('shop.db'), (db) => sheetsOfJob(db, 'one'));
    const { rows } = await exportShop(at('shop.db'), at('one.zip'), { job: 'one', sheets }, now);
    expect(rows).toEqual({ sheet_version: 2, job: 1, log_entry: 2, fault_note: 0, photo: 1 });
    expect(await importShop(at('other.db'), at('one.zip'), here)).toMatchObject({ fresh: { job: 1, log_entry: 2 } });
    await within(at('other.db'), async (db) => expect(await findJob(db, 'one')).toMatchObject({ former: null }));
  });

  it.each([
    [
      'tables/log_entry.jsonl',
      (text: string) => text.replace('"note","text"', '"note","txet"'),
      /log_entry.jsonl, line 1: .*(txet|text)/,
    ],
    [
      'tables/job.jsonl',
      (text: string) => text.replace('{"vs":187.5}', '"none"'),
      /job.jsonl, line 1: label should be an object/,
    ],
    [
      'tables/job.jsonl',
      (text: string) => text.replace('"value":0', '"value":"plenty"'),
      /job.jsonl, line 1: value should be a number/,
    ],
    ['tables/job.jsonl', (text: string) => `${text}{"id":"three"`, /job.jsonl, line 3: not a row/],
    ['tables/job.jsonl', (text: string) => text.replace('"owner"', '"owners"'), /job has no column "owners"/],
    [
      'tables/need.jsonl',
      (text: string) => text.replace('"job":"one"', '"job":"none"'),
      /need.jsonl refers to rows of job that are nowhere/,
    ],
    ['tables/supplier.jsonl', (text: string) => `${text}${text}`, /supplier.jsonl, lines 1 to 2: UNIQUE/],
  ])('is refused whole where %s is wrong, %#', async (file, change, message) => {
    const wrong = await forged('wrong.zip', file, change);
    await within(at('untouched.db'), async () => undefined);
    const before = await contentsOf(at('untouched.db'));
    await expect(importShop(at('untouched.db'), wrong, here)).rejects.toThrow(message);
    expect(await contentsOf(at('untouched.db'))).toEqual(before);
  });

  it('is refused where it is none, was cut short, changed, or comes from a newer Tovrik', async () => {
    const bytes = readFileSync(at('shop.zip'));
    writeFileSync(at('cut.zip'), bytes.subarray(0, bytes.length / 2));
    await expect(importShop(at('untouched.db'), at('cut.zip'), here)).rejects.toThrow(
      /not an archive that can be read/,
    );
    writeFileSync(at('text.zip'), 'hello');
    await expect(importShop(at('untouched.db'), at('text.zip'), here)).rejects.toThrow(/not an archive/);
    const changed = await forged('changed.zip', 'tables/job.jsonl', (text) => text.replace('Kerb', 'Curb'), false);
    await expect(importShop(at('untouched.db'), changed, here)).rejects.toThrow(
      /tables\/job.jsonl is not as it was written/,
    );
    const archive = await openArchive(at('shop.zip'));
    archive.close();
    await within(at('older.db'), (db) =>
      db('knex_migrations').where({ name: archive.manifest.release }).update({ name: '000' }),
    );
    const older = await openArchive(at('shop.zip'));
    const raw = knex({ client: 'better-sqlite3', connection: { filename: at('older.db') }, useNullAsDefault: true });
    await expect(mergeArchive(raw, older, here)).rejects.toThrow(/written by a newer Tovrik/);
    older.close();
    await raw.destroy();
  });

  it('can be called off, and nothing of it is there', async () => {
    const off = new AbortController();
    const seen: number[] = [];
    await expect(
      importShop(at('off.db'), at('shop.zip'), {
        ...here,
        signal: off.signal,
        onProgress: (done, of) => {
          seen.push(done / of);
          if (done > of / 2) off.abort();
        },
      }),
    ).rejects.toThrow(/called off; nothing was changed/);
    expect(seen.length).toBeGreaterThan(2);
    for (const rows of Object.values(await contentsOf(at('off.db')))) expect(rows).toEqual([]);
  });

  it('keeps the moment it was begun in while others write, and leaves no half file behind', async () => {
    await expect(exportShop(at('shop.db'), path.join(folder, 'nowhere', 'x.zip'), { all: true }, now)).rejects.toThrow(
      /ENOENT/,
    );
    expect(existsSync(path.join(folder, 'nowhere'))).toBe(false);
  });
});

describe('causes of another shop', () => {
  it('go out as counts alone, and weigh a quarter of one’s own', async () => {
    const causes = await within(at('shop.db'), (db) => causesOf(db, now));
    expect(causes.counts).toEqual([{ sheet: 'halvane-hp-42', fault: 'C547.dry', count: 1 }]);
    expect(JSON.stringify(causes)).not.toMatch(/Kerb|grey wire/);
    await within(at('shop.db'), async (db) => {
      expect((await closedCounts(db, ['halvane-hp-42'])).get('C547.dry')).toBe(1 + 8 / 4);
      await expect(takeCauses(db, causes)).rejects.toThrow(/this shop’s own causes/);
    });
    await within(at('third.db'), async (db) => {
      await takeCauses(db, causes);
      await takeCauses(db, readCauses(JSON.stringify(causes)));
      expect((await closedCounts(db, ['halvane-hp-42'])).get('C547.dry')).toBe(0.25);
    });
  });

  it.each([
    ['{'],
    ['{"format":"tovrik-causes/1","source":"12345678","made":"x","counts":[{"sheet":"a","fault":"b","count":0.5}]}'],
  ])('are refused where the file is wrong, %#', (text) =>
    expect(() => readCauses(text)).toThrow(/not the causes of a shop: /),
  );
});
