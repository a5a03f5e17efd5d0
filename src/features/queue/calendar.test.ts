import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { readCounted } from '@/core/supply';
import { addJob, addNeed, database, moveNeed, releaseDatabase } from '@/store';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { giveCalendar } from './handleCalendar';

vi.mock('server-only', () => ({}));

let folder: string;
const at = '2026-11-20T10:00:00Z';
beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-calendar-'));
  process.env.TOVRIK_DB = path.join(folder, 'tovrik.db');
  const db = await database();
  const waiting = (what: 'owner' | 'soak' | 'part', until: string) => ({ for: what, note: '', until });
  await addJob(
    db,
    takenIn('owner', { title: 'Boat-house set', due: '2026-12-09', waiting: waiting('owner', '2026-12-01') }),
  );
  await addJob(db, takenIn('soak', { title: 'Arrivals', waiting: waiting('soak', '2026-11-30T18:00:00Z') }));
  await addJob(db, takenIn('open', { title: 'Nobody knows', waiting: waiting('owner', '') }));
  await addJob(db, takenIn('part', { title: 'Ballroom, plasma; left' }));
  for (const [need, due] of [
    ['need-0001', '2026-12-04'],
    ['need-0002', ''],
  ] as const) {
    await addNeed(db, 'part', readCounted('C 22u 250V x2'), need, at);
    await moveNeed(db, { id: `${need}-event`, need, state: 'ordered', supplier: 'Pier Parts', due, price: 1, at });
  }
});
afterAll(async () => {
  await releaseDatabase();
  rmSync(folder, { recursive: true });
});

it('a calendar has each day that something is waited for once, under an id that stays, and nothing without a day', async () => {
  const ask = async () => (await giveCalendar(new Request('http://127.0.0.1:4870/api/calendar'))).text();
  const text = (await ask()).replace(/\r\n /g, '');
  const events = text.split('BEGIN:VEVENT').slice(1);
  const field = (event: string, name: string) => new RegExp(`^${name}[^:\r\n]*:(.*?)\r?$`, 'm').exec(event)?.[1];
  expect(events.map((event) => [field(event, 'DTSTART'), field(event, 'SUMMARY')])).toEqual([
    ['20261209', 'Boat-house set: due back'],
    ['20261201', 'Boat-house set: waits for the owner'],
    ['20261130', 'Arrivals: soaking'],
    ['20261204', '2 × C 22µF 250V for Ballroom\\, plasma\\; left\\, from Pier Parts'],
  ]);
  const ids = events.map((event) => field(event, 'UID'));
  expect(new Set(ids).size).toBe(4);
  expect((await ask()).match(/^UID:.*$/gm)?.map((line) => line.slice(4).trim())).toEqual(ids);
  expect(text).toMatch(/URL[^:]*:http:\/\/127\.0\.0\.1:4870\/job\/owner\/bench/);
});
