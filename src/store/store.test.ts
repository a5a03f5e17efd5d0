import { type LogEntry } from '@/core/log';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import knex, { type Knex } from 'knex';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
  addJob,
  addPhoto,
  AlreadyClosed,
  appendLog,
  backupInto,
  closedCounts,
  closedLogs,
  closeJob,
  type FaultNote,
  findJob,
  findNote,
  findPhoto,
  fullDisk,
  type Job,
  JobClosed,
  openDatabase,
  openJobs,
  readLog,
  readLogs,
  defaultSettings,
  readSettings,
  saveSettings,
  searchNotes,
  setWaiting,
  StaleLog,
} from '.';
import { migrations } from './migrations';

let folder: string;
let db: Knex;

beforeEach(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-store-'));
  db = await openDatabase(path.join(folder, 'deep', 'tovrik.db'));
});
afterEach(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true });
});

const job = (id: string, more: Partial<Job> = {}): Job => ({
  id,
  title: `Set ${id}`,
  place: 'Pavilion',
  sheet: 'halvane-hp-42',
  label: { vs: 187 },
  options: {},
  complaint: { symptoms: ['upper_dark'], signs: { buzz: 'brief' } },
  words: 'dark above',
  owner: 'the railway',
  value: 140,
  limit: 45,
  waiting: null,
  createdAt: '2026-11-01T10:00:00Z',
  closedAt: null,
  due: '',
  pinned: false,
  former: null,
  ...more,
});
const line = (id: string, value = 187, supersedes?: string): LogEntry => ({
  id,
  at: '2026-11-24T10:00:00Z',
  body: { kind: 'reading', check: 'vs-dc', answer: { kind: 'number', value, shape: 'settled' }, text: 'vs' },
  ...(supersedes === undefined ? {} : { supersedes }),
});
const note = (id: string, more: Partial<FaultNote> = {}): FaultNote => ({
  job: id,
  sheet: 'halvane-hp-42',
  title: 'Halvane HP-42: upper half dark',
  chassis: 'Halvane HP-42',
  symptom: 'Upper half dark',
  cause: 'Upper floating capacitor C547 dried out',
  proof: 'Floating 15 V upper 9.1 V',
  cure: 'Fit a new C547',
  misled: '',
  parts: 'C547 100u 35V',
  fault: 'C547.dry',
  money: 0.6,
  minutes: 42,
  remember: '',
  accepted: '',
  outcome: 'returned',
  closedAt: '2026-11-24T12:00:00Z',
  ...more,
});

describe('the database', () => {
  it('is durable: write-ahead log, full synchronisation, foreign keys on', async () => {
    const pragma = async (name: string) =>
      Object.values(((await db.raw(`pragma ${name}`)) as Record<string, unknown>[])[0]!)[0];
    expect(await pragma('journal_mode')).toBe('wal');
    expect(await pragma('synchronous')).toBe(2);
    expect(await pragma('foreign_keys')).toBe(1);
  });

  it('opens again what it made, without migrating twice', async () => {
    await addJob(db, job('a'));
    const again = await openDatabase(path.join(folder, 'deep', 'tovrik.db'));
    expect(await findJob(again, 'a')).toEqual(job('a'));
    await again.destroy();
  });

  it('brings a database of the first release to the newest, with all that is in it', async () => {
    const file = path.join(folder, 'old.db');
    const old = knex({ client: 'better-sqlite3', connection: { filename: file }, useNullAsDefault: true });
    const first = { ...migrations, getMigrations: async () => (await migrations.getMigrations([])).slice(0, 1) };
    await old.migrate.latest({ migrationSource: first });
    const { id, title, place, sheet, words, owner, value, limit, createdAt, closedAt, complaint, label } = job('a');
    await old('job').insert({
      id,
      title,
      place,
      sheet,
      words,
      owner,
      value,
      label: JSON.stringify(label),
      complaint: JSON.stringify(complaint),
      money_limit: limit,
      created_at: createdAt,
      closed_at: closedAt,
    });
    await old('log_entry').insert({ id: 'line-one', job: 'a', at: createdAt, body: '{"kind":"note","text":"dark"}' });
    await old.destroy();

    const now = await openDatabase(file);
    expect(await findJob(now, 'a')).toEqual(job('a'));
    expect((await readLog(now, 'a')).entries).toMatchObject([{ id: 'line-one', body: { text: 'dark' } }]);
    await addPhoto(now, { id: 'photo-00001', job: 'a', at: createdAt, type: 'image/png', bytes: Buffer.from([1]) });
    // A release from before cannot open what a newer one has changed: migrations only go forward.
    await expect(now.migrate.rollback({ migrationSource: migrations })).rejects.toThrow('restore a backup');
    await now.destroy();
  });

  it('copies itself while in use', async () => {
    await addJob(db, job('a'));
    const file = await backupInto(db, path.join(folder, 'copies'), new Date('2026-11-24T10:11:12Z'));
    expect(path.basename(file)).toBe('tovrik-2026-11-24T10-11-12.db');
    const copy = await openDatabase(file);
    expect(await openJobs(copy)).toHaveLength(1);
    await copy.destroy();
  });

  it('starts from default settings, and keeps one’s own', async () => {
    expect(await readSettings(db)).toEqual(defaultSettings);
    const own = {
      shop: 'Winding house',
      hourlyRate: 21.5,
      currency: 'EUR',
      mains: 127,
      lampWatts: 100,
      tool: '1k 50W',
    };
    await saveSettings(db, own);
    expect(await readSettings(db)).toEqual(own);
  });
});

describe('jobs', () => {
  it('are stored once however often they are sent', async () => {
    await addJob(db, job('a'));
    await addJob(db, job('a', { title: 'again' }));
    expect(await openJobs(db)).toEqual([job('a')]);
  });

  it('may wait for something and stop waiting', async () => {
    await addJob(db, job('a'));
    await setWaiting(db, 'a', { for: 'part', note: '22u', until: '' });
    expect((await findJob(db, 'a'))?.waiting).toEqual({ for: 'part', note: '22u', until: '' });
    await setWaiting(db, 'a', null);
    expect((await findJob(db, 'a'))?.waiting).toBeNull();
  });
});

describe('the log', () => {
  beforeEach(() => addJob(db, job('a')));

  it('keeps the order of lines and gives the number of the last', async () => {
    const seq = await appendLog(db, 'a', [line('one'), line('two', Infinity)], 0);
    expect(await readLog(db, 'a')).toEqual({ entries: [line('one'), line('two', Infinity)], seq });
  });

  it('records a batch once when it is sent again', async () => {
    const first = await appendLog(db, 'a', [line('one'), line('two')], 0);
    expect(await appendLog(db, 'a', [line('one'), line('two')], 0)).toBe(first);
    expect(await appendLog(db, 'a', [line('two'), line('three')], first)).toBe(first + 1);
    expect((await readLog(db, 'a')).entries).toHaveLength(3);
  });

  it('refuses a page that has not seen what another recorded, and stores nothing of it', async () => {
    await appendLog(db, 'a', [line('one')], 0);
    await expect(appendLog(db, 'a', [line('mine')], 0)).rejects.toThrow(StaleLog);
    expect((await readLog(db, 'a')).entries).toEqual([line('one')]);
  });

  it('takes all of a batch or none', async () => {
    await appendLog(db, 'a', [line('one')], 0);
    await expect(appendLog(db, 'a', [line('two'), line('three', 1, 'nowhere')], 1)).rejects.toThrow(/FOREIGN KEY/);
    expect((await readLog(db, 'a')).entries).toHaveLength(1);
  });

  it('takes nothing of a batch where the disk is full, says so, and takes it once there is room', async () => {
    const { page_count: pages } = ((await db.raw('pragma page_count')) as [{ page_count: number }])[0];
    await db.raw(`pragma max_page_count = ${pages}`);
    const many = Array.from({ length: 400 }, (_, index) => line(`line-${index}`));
    const failed: unknown = await appendLog(db, 'a', many, 0).catch((error: unknown) => error);
    expect(fullDisk(failed)?.message).toMatch(/the disk is full or fails, and nothing was written/);
    expect(fullDisk(new Error('something else'))).toBeUndefined();
    expect((await readLog(db, 'a')).entries).toEqual([]);
    await db.raw('pragma max_page_count = 100000');
    await appendLog(db, 'a', many, 0);
    expect((await readLog(db, 'a')).entries).toHaveLength(400);
  });

  it('lets nothing be changed or removed', async () => {
    await appendLog(db, 'a', [line('one')], 0);
    await expect(db('log_entry').update({ body: '{}' })).rejects.toThrow(/append-only/);
    await expect(db('log_entry').delete()).rejects.toThrow(/append-only/);
  });

  it('lets a line be corrected once; the correction is corrected next', async () => {
    await appendLog(db, 'a', [line('one'), line('two', 188, 'one')], 0);
    await expect(appendLog(db, 'a', [line('three', 189, 'one')], 2)).rejects.toThrow(/UNIQUE/);
    await appendLog(db, 'a', [line('three', 189, 'two')], 2);
  });

  it('keeps the logs of jobs apart', async () => {
    await addJob(db, job('b'));
    await appendLog(db, 'a', [line('one')], 0);
    await appendLog(db, 'b', [line('two')], 0);
    const logs = await readLogs(db, ['a', 'b']);
    expect([...logs].map(([id, entries]) => [id, entries.map((entry) => entry.id)])).toEqual([
      ['a', ['one']],
      ['b', ['two']],
    ]);
  });
});

describe('closing and the notebook', () => {
  beforeEach(async () => {
    await addJob(db, job('a'));
    await addJob(db, job('b', { sheet: 'pellisar-tc-14' }));
  });

  it('closes a job with its note, once', async () => {
    await closeJob(db, note('a'));
    expect((await openJobs(db)).map(({ id }) => id)).toEqual(['b']);
    expect(await findNote(db, 'a')).toEqual(note('a'));
    await expect(closeJob(db, note('a'))).rejects.toThrow(AlreadyClosed);
    await expect(appendLog(db, 'a', [line('late')], 0)).rejects.toThrow(JobClosed);
  });

  it('finds notes by any words, unfinished ones too, and ranks a cause above a remark', async () => {
    await closeJob(db, note('a'));
    await closeJob(
      db,
      note('b', {
        title: 'Pellisar TC-14: flooded green',
        chassis: 'Pellisar TC-14',
        cause: 'Green collector load R201 drifted',
        symptom: 'Flooded green',
        proof: '',
        cure: '',
        parts: 'R201 12k 2W',
        misled: 'C547 looked bad',
      }),
    );
    const found = async (typed: string) => (await searchNotes(db, typed)).notes.map((one) => one.job);
    expect(await found('flooded')).toEqual(['b']);
    expect(await found('upper dri')).toEqual(['a']);
    expect(await found('c547')).toEqual(['a', 'b']);
    expect(await found('halvane r201')).toEqual([]);
    expect(await found('')).toHaveLength(2);
  });

  it('takes no search syntax from what is typed', async () => {
    await closeJob(db, note('a'));
    for (const typed of ['"', '*', 'NEAR(', 'a:b', "'; drop table job;--"])
      await expect(searchNotes(db, typed)).resolves.toHaveProperty('notes');
  });

  it('gives the logs of jobs that were closed with the set whole, the newest first', async () => {
    await appendLog(db, 'a', [line('a-reading')], 0);
    await closeJob(db, { ...note('a'), closedAt: '2026-01-01T10:00:00Z' });
    await closeJob(db, { ...note('b'), closedAt: '2026-02-01T10:00:00Z' });
    const found = await closedLogs(db, ['halvane-hp-42', 'pellisar-tc-14'], 9);
    expect(found.map(({ closedAt }) => closedAt)).toEqual(['2026-02-01T10:00:00Z', '2026-01-01T10:00:00Z']);
    expect(found[1]!.title).toBe('Set a');
    expect(found[1]!.log.map(({ id }) => id)).toEqual(['a-reading']);
    expect(await closedLogs(db, ['halvane-hp-42'], 1)).toHaveLength(1);
    expect(await closedLogs(db, ['corrowby-sm-9'], 9)).toEqual([]);
  });

  it('counts what closed jobs of a sheet turned out to be', async () => {
    await closeJob(db, note('a'));
    expect(await closedCounts(db, ['halvane-hp-42'])).toEqual(new Map([['C547.dry', 1]]));
    expect(await closedCounts(db, ['pellisar-tc-14'])).toEqual(new Map());
  });
});

describe('photographs', () => {
  const photo = {
    id: 'photo-00001',
    job: 'a-job',
    at: '2026-03-01T10:00:00Z',
    type: 'image/png',
    bytes: Buffer.from([1, 2, 255]),
  };

  it('come back as they were kept, to their own job only, and are never written over', async () => {
    await addPhoto(db, photo);
    await addPhoto(db, { ...photo, bytes: Buffer.from([9]) });
    expect((await findPhoto(db, 'a-job', photo.id))!.bytes).toEqual(photo.bytes);
    expect(await findPhoto(db, 'another', photo.id)).toBeUndefined();
  });
});
