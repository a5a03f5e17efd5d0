import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { readCounted } from '@/core/supply';
import { takenIn } from '../../../tests/fixtures/takenIn';
import {
  addJob,
  appendLog,
  copiesFolder,
  copiesIn,
  copyOfTheDay,
  examine,
  findJob,
  mend,
  openDatabase,
  putOnShelf,
  restore,
} from '..';
import { copiesToKeep } from './keep';

const folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-copies-'));
const now = new Date('2026-11-24T12:00:00Z');
const hours = (count: number) => new Date(now.getTime() + count * 3_600_000);
const day = (count: number) => hours(24 * count);

/** A database with a set and a part in it, at a place of its own. */
async function shop(name: string) {
  const file = path.join(folder, name, 'tovrik.db');
  const db = await openDatabase(file);
  await addJob(db, takenIn('one'));
  await putOnShelf(db, readCounted('C 680u 50V x4'), 'new', { id: 'stock-0001', why: 'bought', at: now.toISOString() });
  return { file, db };
}

describe('which copies are kept', () => {
  it('the newest of seven days, five weeks and twelve months', () => {
    const daily = Array.from({ length: 800 }, (_, back) => day(-back));
    const kept = copiesToKeep(daily);
    expect(kept.slice(0, 7)).toEqual(daily.slice(0, 7));
    expect(kept.length).toBeLessThanOrEqual(7 + 5 + 12);
    const months = new Set(kept.map((at) => at.toISOString().slice(0, 7)));
    expect(months.size).toBe(12);
    // Sundays end the weeks.
    expect(kept.filter((at) => at.getUTCDay() === 0).length).toBeGreaterThanOrEqual(4);
  });

  it('never lets go of the newest, keeps at most 24, and what it kept once more', () => {
    const some = fc.uniqueArray(fc.integer({ min: 0, max: 60_000 }), { minLength: 1, maxLength: 80 });
    fc.assert(
      fc.property(some, (back) => {
        const made = back.map((one) => hours(-one));
        const kept = copiesToKeep(made);
        expect(kept[0]).toEqual(hours(-Math.min(...back)));
        expect(kept.length).toBeLessThanOrEqual(24);
        expect(copiesToKeep(kept)).toEqual(kept);
      }),
    );
  });
});

describe('the copy of the day', () => {
  it('is made once a day, read from end to end, and older ones go as they are no longer kept', async () => {
    const { file, db } = await shop('daily');
    expect(await copyOfTheDay(db, file, now)).toMatchObject({ at: now });
    expect(await copyOfTheDay(db, file, hours(3))).toBeUndefined();
    for (let at = 1; at <= 40; at += 1) await copyOfTheDay(db, file, day(at));
    const copies = copiesIn(copiesFolder(file));
    expect(copies[0]!.at).toEqual(day(40));
    expect(copies.length).toBeLessThan(15);
    await db.destroy();
  });
});

describe('restoring', () => {
  it('puts a copy in the place of the data, and keeps what was there with what was not yet written back', async () => {
    const { file, db } = await shop('restored');
    const copy = (await copyOfTheDay(db, file, now))!;
    await addJob(db, takenIn('late'));
    await db.destroy();
    const before = restore(copy.file, file, day(1))!;
    const restored = await openDatabase(file);
    expect(await findJob(restored, 'one')).toBeDefined();
    expect(await findJob(restored, 'late')).toBeUndefined();
    await restored.destroy();
    const was = await openDatabase(before);
    expect(await findJob(was, 'late')).toBeDefined();
    await was.destroy();
  });

  it('goes over a damaged database, which is kept', async () => {
    const { file, db } = await shop('damaged');
    const copy = (await copyOfTheDay(db, file, now))!;
    await db.destroy();
    const bytes = readFileSync(file);
    bytes.fill(0x5a, 0, 4096);
    writeFileSync(file, bytes);
    const before = restore(copy.file, file, day(1))!;
    expect(readFileSync(before).equals(bytes)).toBe(true);
    const restored = await openDatabase(file);
    expect(await findJob(restored, 'one')).toBeDefined();
    await restored.destroy();
  });

  it('is refused while the database is in use, and where the copy is none, damaged or newer; nothing changes', async () => {
    const { file, db } = await shop('refused');
    const copy = (await copyOfTheDay(db, file, now))!;
    expect(() => restore(copy.file, file, day(1))).toThrow(/in use: stop Tovrik first/);
    await db('knex_migrations').insert({ name: '999-later', batch: 9, migration_time: 0 });
    await expect(copyOfTheDay(db, file, day(2))).rejects.toThrow(/of a newer Tovrik \(999-later\)/);
    expect(copiesIn(copiesFolder(file))).toHaveLength(1);
    await db.destroy();
    const there = readFileSync(file);
    const wrong = (name: string, bytes: Buffer) => {
      writeFileSync(path.join(folder, name), bytes);
      return path.join(folder, name);
    };
    const whole = readFileSync(copy.file);
    expect(() => restore(wrong('none.db', Buffer.from('hello')), file, now)).toThrow(
      /none.db is damaged or no database/,
    );
    expect(() => restore(wrong('cut.db', whole.subarray(0, 20_000)), file, now)).toThrow(/cut.db is damaged/);
    expect(() => restore(path.join(folder, 'nowhere.db'), file, now)).toThrow(/nowhere.db: there is no such file/);
    expect(readFileSync(file).equals(there)).toBe(true);
    expect(readdirSync(path.dirname(file)).filter((name) => /before|arriving/.test(name))).toEqual([]);
  });
});

describe('the doctor', () => {
  it('finds nothing wrong in what was made as it should, beside a copy of the day', async () => {
    const { file, db } = await shop('well');
    await copyOfTheDay(db, file, now);
    const findings = await examine(db, file, now);
    expect(findings.filter(({ well }) => !well)).toEqual([]);
    await db.destroy();
  });

  it('finds each thing that is wrong, and mends what is worked out from the rest', async () => {
    const { file, db } = await shop('ill');
    await db.raw('pragma foreign_keys = off');
    await appendLog(db, 'one', [{ id: 'line-0001', at: now.toISOString(), body: { kind: 'note', text: 'x' } }], 0);
    await db('log_entry').insert({ id: 'line-0002', job: 'one', at: '', body: '{"kind":"riddle"}' });
    await db('need').insert({ id: 'need-1', job: 'nobody', typed: '', count: 1, at: '' });
    await db('photo').insert({ id: 'photo-1', job: 'nobody', at: '', type: '', bytes: Buffer.from([1]) });
    await db('job').where({ id: 'one' }).update({ closed_at: now.toISOString() });
    await db('stock_part').update({ count: 7 });
    await db.raw("insert into note_search(rowid, title) values (99, 'ghost')");
    const wrong = async () => (await examine(db, file, day(9))).filter(({ well }) => !well).map(({ what }) => what);
    const lasting = [
      'references that lead nowhere',
      'photographs of no set',
      'closed sets without a note',
      'lines that cannot be read',
      'newest copy',
    ];
    expect((await wrong()).sort()).toEqual(
      [...lasting, 'search of the notebook', 'counts on the shelf that are not what was moved'].sort(),
    );
    await mend(db);
    expect((await wrong()).sort()).toEqual(lasting.sort());
    expect(await db('stock_part').first('count')).toEqual({ count: 4 });
    await db.destroy();
  });
});

describe('the command line', () => {
  const command = (database: string, ...words: string[]) =>
    spawnSync(process.execPath, ['bin/tovrik', ...words], {
      encoding: 'utf8',
      env: { ...process.env, TOVRIK_DB: database },
    });

  it('exports, takes in, looks over, copies and restores', async () => {
    const { file, db } = await shop('line');
    await db.destroy();
    const zip = path.join(folder, 'line.zip');
    const other = path.join(folder, 'other', 'tovrik.db');
    expect(JSON.parse(command(file, 'export', zip).stdout)).toMatchObject({ rows: { job: 1, stock_move: 1 } });
    expect(JSON.parse(command(other, 'import', zip, '--dry').stdout)).toMatchObject({ fresh: { job: 1 } });
    expect(JSON.parse(command(other, 'import', zip).stdout)).toMatchObject({ fresh: { job: 1 }, clashed: 0 });
    const { copy } = JSON.parse(command(other, 'backup', path.join(folder, 'line-copies')).stdout) as { copy: string };
    expect(JSON.parse(command(file, 'restore', copy).stdout)).toMatchObject({ restored: file });
    expect(JSON.parse(command(file, 'doctor', '--mend').stdout)).toMatchObject({ well: false });
    const causes = path.join(folder, 'causes.json');
    expect(JSON.parse(command(file, 'export', causes, '--causes').stdout)).toMatchObject({ counts: [] });
    expect(command(file, 'import', causes).stderr).toMatch(/this shop’s own causes/);
    expect(command(file, 'import', zip, '--prefer', 'neither').stderr).toMatch(/--prefer is here or there/);
    expect(command(file, 'export', zip, '--job', 'none').stderr).toMatch(/there is no set none/);
    expect(existsSync(`${zip}.part`)).toBe(false);
  }, 300_000);
});
