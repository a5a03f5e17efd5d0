import { existsSync, mkdtempSync, readdirSync as readdir, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { addJob, appendLog, database, findJob, openJobs, readSettings, releaseDatabase } from '@/store';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { copyNow, countFrom, goBackTo, keepSettings, lookOver } from './actions';
import { addedWords, clashWords } from './archiveModel';
import { type ArchiveWord, giveArchive, takeArchive } from './handleArchive';
import { loadSettings } from './load';
import { settingsSchema } from './settingsSchema';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));

let folder: string;
const own = { shop: 'Winding house', hourlyRate: 21, currency: 'EUR', mains: 127, lampWatts: 100, tool: '1k 50W' };
const at = '2026-11-24T10:00:00Z';

/** The server’s own database is this one from here on. */
async function shop(name: string): Promise<void> {
  await releaseDatabase();
  process.env.TOVRIK_DB = path.join(folder, name, 'tovrik.db');
}
const asked = (query: string) => new Request(`http://127.0.0.1/api/shop/export${query}`);
const sent = (body: BodyInit | null, query = '') =>
  new Request(`http://127.0.0.1/api/shop/import${query}`, { method: 'POST', body });
const bytesOf = async (query = '') => new Uint8Array(await (await giveArchive(asked(query))).arrayBuffer());
const wordsOf = async (response: Response): Promise<ArchiveWord[]> =>
  (await response.text())
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as ArchiveWord);

beforeAll(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-settings-'));
});
afterAll(async () => {
  await releaseDatabase();
  rmSync(folder, { recursive: true });
});

describe('what a shop sets', () => {
  it('is taken as typed, with empty fields for what is usual', () => {
    expect(settingsSchema.validateSync(own)).toEqual(own);
    const empty = { ...own, shop: ' ', mains: '', lampWatts: '', tool: '' };
    expect(settingsSchema.validateSync(empty)).toMatchObject({ shop: '', mains: null, lampWatts: null, tool: '' });
  });

  it.each([
    [{ hourlyRate: -1 }, /less than nothing/],
    [{ hourlyRate: 'much' }, /an amount, like 18/],
    [{ currency: '' }, /a sign or letters/],
    [{ currency: 'pounds' }, /a sign or letters/],
    [{ mains: 23 }, /the mains should be between 90 and 260, or empty/],
    [{ mains: 'high' }, /the mains should be a number, or empty/],
    [{ lampWatts: 1 }, /the lamp should be between 5 and 2000/],
    [{ tool: '2k2' }, /its ohms and watts, like 2k2 20W/],
    [{ shop: 'x'.repeat(81) }, /at most 80 letters/],
  ])('%j is refused', (wrong, message) =>
    expect(() => settingsSchema.validateSync({ ...own, ...wrong })).toThrow(message),
  );

  it('is kept whole or not at all', async () => {
    await shop('kept');
    expect(await keepSettings(own)).toEqual({ done: undefined });
    expect(await keepSettings({ ...own, shop: 'Other', mains: 3 })).toHaveProperty('refused');
    expect(await readSettings(await database())).toEqual(own);
    expect((await loadSettings()).settings).toEqual(own);
  });
});

describe('copies on the page', () => {
  it('are made, listed and gone back to, and what was there is kept beside', async () => {
    await shop('copies');
    await addJob(await database(), takenIn('one'));
    expect(await copyNow()).toEqual({ done: undefined });
    const [copy] = (await loadSettings()).copies;
    expect(copy!.bytes).toBeGreaterThan(10_000);
    await addJob(await database(), takenIn('two'));
    const answer = await goBackTo(copy!.name);
    expect(answer).toMatchObject({ done: expect.stringMatching(/^tovrik\.db\.before-/) as string });
    expect(await findJob(await database(), 'two')).toBeUndefined();
    expect(existsSync(path.join(folder, 'copies', (answer as { done: string }).done))).toBe(true);
  });

  it.each(['../tovrik.db', 'tovrik-2026-01-01T00-00-00.db', 7, undefined])(
    '%s is none that can be gone back to',
    async (name) => {
      await shop('none');
      await addJob(await database(), takenIn('one'));
      expect(await goBackTo(name)).toEqual({ refused: 'there is no such copy any more' });
      expect(await findJob(await database(), 'one')).toBeDefined();
    },
  );

  it('the data are looked over, and mended where they may be', async () => {
    await shop('looked');
    const db = await database();
    await db.raw("insert into note_search(rowid, title) values (9, 'ghost')");
    const wrong = async (mending: boolean) => {
      const answer = (await lookOver(mending)) as { done: { what: string; well: boolean }[] };
      return answer.done.filter(({ well }) => !well).map(({ what }) => what);
    };
    expect(await wrong(false)).toEqual(['search of the notebook', 'newest copy']);
    expect(await wrong(true)).toEqual(['newest copy']);
  });
});

describe('a shop as a file', () => {
  beforeEach(async () => {
    await shop('whole');
    const db = await database();
    await addJob(db, takenIn('one', { title: 'Arrivals board' }));
    if ((await db('log_entry').first('id')) === undefined)
      await appendLog(db, 'one', [{ id: 'line-0001', at, body: { kind: 'note', text: 'dark' } }], 0);
  });

  it('is given to be kept, and nothing of it stays on the disk', async () => {
    const rooms = () => new Set(readdir(os.tmpdir()));
    const before = rooms();
    const response = await giveArchive(asked(''));
    expect(response.headers.get('content-disposition')).toMatch(
      /attachment; filename="tovrik-shop-\d{4}-\d\d-\d\d\.zip"/,
    );
    const bytes = new Uint8Array(await response.arrayBuffer());
    expect(Buffer.from(bytes.subarray(0, 2)).toString()).toBe('PK');
    expect(Number(response.headers.get('content-length'))).toBe(bytes.length);
    await vi.waitFor(() =>
      expect([...rooms()].filter((one) => !before.has(one) && /^tovrik-\w{6}$/.test(one))).toEqual([]),
    );
  });

  it('or one set of it, or its causes; of a set that is none it is said', async () => {
    expect((await bytesOf('?job=one')).length).toBeGreaterThan(500);
    const none = await giveArchive(asked('?job=nobody'));
    expect(none.status).toBe(404);
    expect(await none.json()).toEqual({ refused: 'there is no set nobody' });
    const causes = (await (await giveArchive(asked('?causes'))).json()) as { format: string; counts: unknown[] };
    expect(causes).toMatchObject({ format: 'tovrik-causes/1', counts: [] });
  });

  it('is looked through first and then taken in, telling how far it is', async () => {
    const bytes = await bytesOf();
    await shop('empty');
    const dry = await wordsOf(takeArchive(sent(bytes, '?dry')));
    expect(dry.at(-1)).toMatchObject({ merged: { fresh: { job: 1, log_entry: 1 }, clashed: 0 } });
    expect(dry.some((word) => 'done' in word && word.of >= 2)).toBe(true);
    expect(await openJobs(await database())).toEqual([]);
    await wordsOf(takeArchive(sent(bytes)));
    expect(await openJobs(await database())).toMatchObject([{ id: 'one', title: 'Arrivals board' }]);
    // What differs stays as it is here, or is taken.
    await (await database())('job').update({ title: 'Mine' });
    const [word] = (await wordsOf(takeArchive(sent(bytes)))).slice(-1) as [Extract<ArchiveWord, { merged: unknown }>];
    expect(word.merged.clashes.map(clashWords)).toEqual(['set one · title: Mine here, Arrivals board there']);
    await wordsOf(takeArchive(sent(bytes, '?prefer=there')));
    expect(await findJob(await database(), 'one')).toMatchObject({ title: 'Arrivals board' });
  });

  it.each([
    ['nothing', null, /no file came/],
    ['a text', 'hello', /not an archive that can be read/],
    ['half of one', readFileSync('tests/fixtures/release-0.1.db').subarray(0, 2000), /not an archive/],
  ])('%s is refused in one line', async (_, body, message) => {
    await shop('refusing');
    expect(await wordsOf(takeArchive(sent(body)))).toEqual([{ refused: expect.stringMatching(message) as string }]);
    expect(await openJobs(await database())).toEqual([]);
  });

  it('of causes counts once however often it is taken in, and not one’s own', async () => {
    const text = JSON.stringify({
      format: 'tovrik-causes/1',
      source: 'another-shop',
      made: at,
      counts: [{ sheet: 'halvane-hp-42', fault: 'C547.dry', count: 4 }],
    });
    for (const time of [1, 2]) expect([time, await countFrom(text)]).toEqual([time, { done: 1 }]);
    expect(await (await database())('lent_count').select('count')).toEqual([{ count: 4 }]);
    const mine = JSON.stringify(await (await giveArchive(asked('?causes'))).json());
    expect(await countFrom(mine)).toMatchObject({ refused: expect.stringMatching(/this shop’s own/) as string });
    expect(await countFrom('{}')).toMatchObject({
      refused: expect.stringMatching(/not the causes of a shop/) as string,
    });
  });
});

describe('what a file would add, in words', () => {
  const merged = { same: 0, clashes: [], clashed: 0 };

  it('names what people count, one and several', () => {
    expect(addedWords({ ...merged, fresh: { job: 1, log_entry: 12, stock_figure: 9, fault_note: 2 } })).toEqual([
      '1 set',
      '12 lines of records',
      '2 notes',
    ]);
    expect(addedWords({ ...merged, fresh: {} })).toEqual([]);
  });

  it('shortens what is long, and says nothing where there is nothing', () => {
    const clash = {
      table: 'donor',
      key: 'donor-with-a-name-far-too-long',
      columns: [{ column: 'note', here: '', there: 'x'.repeat(80) }],
    };
    expect(clashWords(clash)).toBe(`donor donor-wi… · note: nothing here, ${'x'.repeat(57)}… there`);
  });
});
