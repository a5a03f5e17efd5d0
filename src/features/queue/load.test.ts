import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setImmediate } from 'node:timers/promises';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { addJob, appendLog, closeJob, database, readWorkedOut, saveSettings, defaultSettings } from '@/store';
import { type LogBody } from '@/core/log';
import { refineSheet } from '@/workshop/library';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { loadQueue } from './load';
import * as model from './queueModel';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));
vi.mock('@/workshop/worked/build', () => ({ build: 'one' }));

const real = model.standingOf;
const worked = vi.spyOn(model, 'standingOf');

beforeEach(() => {
  process.env.TOVRIK_DB = path.join(mkdtempSync(path.join(os.tmpdir(), 'tovrik-queue-')), 'tovrik.db');
  worked.mockReset().mockImplementation(real);
});

const say = async (job: string, id: string, body: LogBody, seen: number) =>
  appendLog(await database(), job, [{ id, at: '2026-11-24T10:00:00Z', body }], seen);
const live: LogBody = { kind: 'power', power: 'live' };

describe('the queue', () => {
  it('works out where a set stands once, until something it comes from changes', async () => {
    const db = await database();
    await addJob(db, takenIn('a'));
    await addJob(db, takenIn('b'));
    const first = await loadQueue();
    expect(first.rows.map(({ id }) => id).sort()).toEqual(['a', 'b']);
    expect(worked).toHaveBeenCalledTimes(2);
    expect(await loadQueue()).toEqual(first);
    expect(worked).toHaveBeenCalledTimes(2);

    const seq = await say('a', 'one', live, 0);
    expect((await loadQueue()).rows.find(({ id }) => id === 'a')).toMatchObject({ live: true, step: 'first look' });
    expect(worked).toHaveBeenCalledTimes(3);
    await say('a', 'two', { kind: 'power', power: 'unplugged' }, seq);
    expect((await loadQueue()).rows.find(({ id }) => id === 'a')).toMatchObject({ live: false });
    expect(worked).toHaveBeenCalledTimes(4);

    await saveSettings(db, { ...defaultSettings, hourlyRate: 40 });
    await loadQueue();
    expect(worked).toHaveBeenCalledTimes(6);
  });

  it('works out a set once for all who ask at the same time, and lets others be answered between two sets', async () => {
    const db = await database();
    for (const id of ['a', 'b', 'c']) await addJob(db, takenIn(id));
    let between = 0;
    let asking = true;
    const others = (async () => {
      for (; asking; between += 1) await setImmediate();
    })();
    worked.mockImplementation((...told) => {
      order.push(between);
      return real(...told);
    });
    const order: number[] = [];
    const [one, other] = await Promise.all([loadQueue(), loadQueue()]);
    asking = false;
    await others;
    expect(one.rows.map(({ id }) => id).sort()).toEqual(['a', 'b', 'c']);
    expect(other).toEqual(one);
    expect(worked).toHaveBeenCalledTimes(3);
    expect(new Set(order).size).toBe(3);
  });

  it('keeps nothing of a set that is closed', async () => {
    const db = await database();
    await addJob(db, takenIn('a'));
    await loadQueue();
    await closeJob(db, {
      job: 'a',
      sheet: 'generic-plasma',
      title: 'Kerb find',
      chassis: 'Plasma display',
      symptom: '',
      cause: 'joint',
      proof: '',
      cure: '',
      misled: '',
      parts: '',
      remember: '',
      accepted: '',
      fault: null,
      money: 0,
      minutes: 0,
      outcome: 'returned',
      closedAt: '2026-11-24T12:00:00Z',
    });
    expect((await readWorkedOut(db, 'standing', ['a'])).size).toBe(0);
    expect((await loadQueue()).rows).toEqual([]);
  });

  it('works out anew what is on a sheet that has learnt something, and nothing else', async () => {
    await addJob(await database(), takenIn('a', { sheet: 'generic-plasma' }));
    await addJob(await database(), takenIn('b', { sheet: 'pellisar-tc-14' }));
    const point = { kind: 'point', point: 'tp4', net: 'v12', where: 'pin 3', volts: 12.1, source: 'manual' };
    expect(await refineSheet('a', point)).toHaveProperty('done');
    await loadQueue();
    expect(worked).toHaveBeenCalledTimes(2);
    expect(await refineSheet('a', { ...point, point: 'tp5' })).toHaveProperty('done');
    await loadQueue();
    expect(worked).toHaveBeenCalledTimes(3);
  });

  it('does not take what was kept from other causes, such as another build', async () => {
    const db = await database();
    await addJob(db, takenIn('a'));
    await loadQueue();
    const { causes } = (await readWorkedOut(db, 'standing', ['a'])).get('a')!;
    await db('worked_out').update({ causes: `not ${causes}`, body: '{}' });
    expect((await loadQueue()).rows[0]).toMatchObject({ step: 'taken in', family: 'panel' });
    expect((await readWorkedOut(db, 'standing', ['a'])).get('a')).toMatchObject({ causes });
  });
});
