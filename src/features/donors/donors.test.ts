import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { readCounted } from '@/core/supply';
import { addJob, addNeed, database, piecesTakenOut, searchShelf } from '@/store';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { addTyped, askPlan, keepDonor, takeOut } from './actions';
import { byBoard, demandWords } from './donorsModel';
import { loadDonors } from './load';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));

const at = '2026-11-28T10:00:00Z';
const id = () => crypto.randomUUID();
const kiosk = id();
let folder: string;
const kioskNow = async () => (await loadDonors()).donors.find((one) => one.id === kiosk)!;
const row = async (typed: string) => (await kioskNow()).parts.find((part) => part.typed.startsWith(typed))!;
const add = (typed: string) => addTyped({ id: id(), donor: kiosk, typed });

beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-donors-'));
  process.env.TOVRIK_DB = path.join(folder, 'tovrik.db');
  const db = await database();
  for (const job of ['tea-room', 'lido'])
    await addJob(db, takenIn(job, { sheet: 'halvane-hp-42', createdAt: at, title: job }));
  await keepDonor({ id: kiosk, title: 'Kiosk plasma', place: 'loft' });
});
afterAll(async () => {
  await (await database()).destroy();
  rmSync(folder, { recursive: true });
});

describe('a donor', () => {
  it('takes what sits in it as it is typed, and refuses what it cannot read', async () => {
    expect(await add('C 47u 100V 105 x3 on PSU tested 2 min')).toEqual({ done: undefined });
    expect(await add('C 47u 100V 105 on PSU tested 2 min')).toEqual({ done: undefined });
    expect(await row('C 47µF')).toMatchObject({ count: 4, board: 'PSU', condition: 'tested', minutes: 2 });
    expect(await add('C 47u 100V sparkling')).toMatchObject({
      refused: expect.stringContaining('sparkling') as string,
    });
    expect(await addTyped({ id: id(), donor: 'nobody', typed: 'R 10 1W' })).toEqual({
      refused: 'there is no such donor',
    });
  });

  it('names the sets that wait for something of it, and what its kind of set wants in a year', async () => {
    await addNeed(await database(), 'tea-room', readCounted('C 47u 63V 105 x2'), 'need-1', at);
    await addNeed(await database(), 'lido', readCounted('C 47u 250V 105'), 'need-2', at);
    await add('C 100u 35V 105 lowesr x2 on scan unknown');
    expect((await row('C 47µF')).matches).toMatchObject([
      { need: 'need-1', set: 'tea-room', count: 2, ordered: false },
    ]);
    // The floating capacitors of that sheet are such cans.
    expect((await row('C 100µF')).demand.comesIn).toBeGreaterThan(0);
    expect(demandWords((await row('C 100µF')).demand)).toMatch(/a year by what comes in/);
    expect(demandWords({ now: 2, fitted: 1.5, comesIn: 1, mean: 3.5 })).toBe(
      '2 wanted now, 1.5 a year by what was fitted',
    );
    expect(demandWords({ now: 0, fitted: 0, comesIn: 0, mean: 0 })).toBe('nobody wants it');
  });

  it('plans what is wanted before what nobody wants, within the time there is', async () => {
    await add('R 22 1W x8 on PSU tested 1 min');
    const plan = async (minutes: number) => {
      const answer = await askPlan({ donor: kiosk, minutes });
      if ('refused' in answer) throw new Error(answer.refused);
      return answer.done.plan;
    };
    const all = await plan(120);
    const wanted = (await row('C 47µF')).id;
    expect(all.take.map(({ part }) => part)).toContain(wanted);
    expect(all.take.map(({ part }) => part)).not.toContain((await row('R 22')).id);
    expect(all.minutes).toBeLessThanOrEqual(120);
    expect((await plan(3)).take).toEqual([]);
    expect(await askPlan({ donor: kiosk, minutes: 0 })).toMatchObject({
      refused: expect.stringContaining('a minute at least') as string,
    });
  });

  it('sells boards that nobody here wants', async () => {
    await add('B no XX-77 x2 on scan tested 4 min');
    const { id: board } = await row('B no XX-77');
    const answer = await askPlan({ donor: kiosk, minutes: 120 });
    if ('refused' in answer) throw new Error(answer.refused);
    expect(answer.done.plan.keep.find(({ part }) => part === board)).toEqual({ part: board, keep: 0, sell: 1 });
  });

  it('gives pieces to the shelf or loses them, never more than it has', async () => {
    const { id: part } = await row('R 22');
    expect(await takeOut({ id: id(), part, count: 2, how: 'shelf' })).toEqual({ done: undefined });
    expect(await takeOut({ id: id(), part, count: 1, how: 'spoiled' })).toEqual({ done: undefined });
    expect((await row('R 22')).count).toBe(5);
    expect(await piecesTakenOut(await database())).toEqual({ done: 3, spoiled: 1 });
    expect(await searchShelf(await database(), '22')).toMatchObject([{ count: 2, origin: 'Kiosk plasma' }]);
    expect(await takeOut({ id: id(), part, count: 6, how: 'shelf' })).toMatchObject({
      refused: expect.stringContaining('has only 5') as string,
    });
    expect((await searchShelf(await database(), '22'))[0]!.count).toBe(2);
  });

  it('is shown by board, what sits on none last', async () => {
    await add('FAN 12V 0.2A 60x60x15');
    const boards = byBoard((await kioskNow()).parts).map(([board]) => board);
    expect(boards).toEqual(['PSU', 'scan', '']);
  });
});
