import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { beforeAll, expect, it, vi } from 'vitest';
import { type LogBody } from '@/core/log';
import { readCounted } from '@/core/supply';
import { addJob, addNeed, appendLog, closeJob, database, moveNeed } from '@/store';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { loadWeek, type WeekPage } from './load';

vi.mock('server-only', () => ({}));

const repair = (part: string, minutes: number): LogBody => ({
  kind: 'repair',
  action: `replace:${part}`,
  title: `Fit a new ${part}`,
  cures: [`${part}.open`],
  money: 4,
  minutes,
  note: '',
});

beforeAll(async () => {
  process.env.TOVRIK_DB = path.join(mkdtempSync(path.join(os.tmpdir(), 'tovrik-week-')), 'tovrik.db');
  const db = await database();
  const job = async (id: string, lines: readonly (readonly [string, LogBody, string?])[]) => {
    await addJob(db, takenIn(id, { title: `${id} set`, value: 150, createdAt: '2026-11-20T08:00:00Z' }));
    const entries = lines.map(([at, body, supersedes], place) => ({
      id: `${id}-line-${place}`,
      at: `2026-11-${at}:00Z`,
      body,
      ...(supersedes ? { supersedes } : {}),
    }));
    await appendLog(db, id, entries, 0);
  };
  await job('pier', [
    ['22T10:00', { kind: 'power', power: 'live' }],
    ['23T10:00', repair('R2', 10)],
    ['23T10:12', repair('R1', 30)],
    ['23T10:13', repair('R1', 12), 'pier-line-2'],
  ]);
  await job('quay', [['24T09:00', { kind: 'note', text: 'dark' }]]);
  await addNeed(db, 'quay', readCounted('C 680u 50V 105 x2'), 'need-1', '2026-11-21T08:00:00Z');
  const moved = (state: 'ordered' | 'here', at: string) =>
    moveNeed(db, { need: 'need-1', id: `event-${state}`, state, supplier: 'Hollin', due: '', price: null, at });
  await moved('ordered', '2026-11-22T12:00:00Z');
  await moved('here', '2026-11-25T12:00:00Z');
  await closeJob(db, {
    job: 'pier',
    sheet: 'generic-plasma',
    title: 'Pier set',
    chassis: '',
    symptom: '',
    cause: 'R1 open',
    proof: '',
    cure: '',
    misled: '',
    parts: '',
    remember: '',
    accepted: '',
    fault: 'R1.open',
    money: 8,
    minutes: 42,
    outcome: 'returned',
    closedAt: '2026-11-25T12:00:00Z',
  });
});

it('holds what stands of the week’s lines, at all sets, and the sets closed in it', async () => {
  const { monday, week, before, after } = (await loadWeek('2026-11-26')) as WeekPage;
  expect([monday, before]).toEqual(['2026-11-23', '2026-11-16']);
  // The week after is offered once it has begun.
  expect(after).toBe(Date.now() < Date.parse('2026-11-30') ? undefined : '2026-11-30');
  // The corrected repair counts once, as it was put right; what was on Sunday is of another week.
  expect(week.steps).toEqual([
    { step: 'repairing', minutes: 10 + 13 },
    { step: 'writing', minutes: 2 },
  ]);
  expect(week.spent).toBe(8);
  expect(week.saved).toBe(150 - 8);
  expect(week.closed).toMatchObject([{ title: 'pier set', days: 5, cause: 'R1 open' }]);
  expect(week.wrongTurns.map(({ title }) => title)).toEqual(['Fit a new R2']);
  expect(((await loadWeek('2026-11-22')) as WeekPage).week).toMatchObject({ minutes: 2, closed: [] });
});

it('says which sets waited for parts, by the days of the week', async () => {
  const { waited } = (await loadWeek('2026-11-26')) as WeekPage;
  expect(waited).toHaveLength(1);
  expect(waited[0]).toMatchObject({ job: 'quay', title: 'quay set' });
  // From the Monday’s beginning, wherever the shop is.
  expect(Math.abs(waited[0]!.days - 2.5)).toBeLessThanOrEqual(0.6);
});

it('is refused in words where no day is named', async () => {
  expect(await loadWeek('soon')).toEqual({ refused: '"soon" is no day: write it like 2026-11-24' });
});
