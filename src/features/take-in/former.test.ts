import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { returnRisk, returnsSeen } from '@/core/proof';
import { addJob, closeJob, database, findJob, leavings, releaseDatabase } from '@/store';
import { takenIn as stored } from '../../../tests/fixtures/takenIn';
import { takeIn } from './actions';
import { sheetOfText } from '@/core/sheet';
import { loadTakeIn } from './load';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));

const id = (last: number) => `3f2504e0-4f89-41d3-9a0c-0305e82c33${String(last).padStart(2, '0')}`;
const set = (last: number, former: string | null, symptoms: readonly string[] = ['upper_dark']) => ({
  id: id(last),
  sheet: 'halvane-hp-42',
  title: 'Arrivals board',
  place: 'Pavilion',
  owner: '',
  words: '',
  value: 140,
  limit: 40,
  label: {},
  options: {},
  complaint: { symptoms, signs: {} },
  former,
});
let folder: string;

async function close(last: number, fault: string | null, closedAt: string, outcome: 'returned' | 'kept' = 'returned') {
  await closeJob(await database(), {
    job: id(last),
    sheet: 'halvane-hp-42',
    title: 'Upper half dark',
    chassis: 'Halvane HP-42',
    symptom: '',
    cause: 'C547 dried out',
    proof: '',
    cure: '',
    misled: '',
    parts: '',
    remember: 'grey wire behind the heat sink',
    accepted: '',
    fault,
    money: 0,
    minutes: 0,
    outcome,
    closedAt,
  });
}

beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-former-'));
  process.env.TOVRIK_DB = path.join(folder, 'tovrik.db');
  const more = { title: 'Arrivals board', sheet: 'halvane-hp-42', label: { vs: 185 }, options: {}, value: 140 };
  const complaint = { symptoms: ['upper_dark'], signs: {} } as const;
  for (const last of [1, 2, 3, 4]) await addJob(await database(), stored(id(last), { ...more, complaint }));
  for (const last of [1, 2, 3]) await close(last, 'C547.dry', '2025-11-01T10:00:00Z', last === 3 ? 'kept' : 'returned');
});
afterAll(async () => {
  await releaseDatabase();
  rmSync(folder, { recursive: true });
});

describe('a set that comes back', () => {
  it('brings all that is known of it, and what to remember', async () => {
    const page = await loadTakeIn({ former: id(1) });
    expect(sheetOfText(page.sheetText).id).toBe('halvane-hp-42');
    expect(page.former).toMatchObject({
      id: id(1),
      set: { title: 'Arrivals board', value: 140 },
      label: { vs: '185' },
      cause: 'C547 dried out',
      remember: 'grey wire behind the heat sink',
    });
  });

  it.each([id(4), id(99), 'nonsense', undefined])(
    '%s was never closed here: the page is that of a new set',
    async (former) => {
      const page = await loadTakeIn(former === undefined ? {} : { former });
      expect(page.former).toBeUndefined();
    },
  );

  it('is linked to its former job, where that was closed', async () => {
    expect(await takeIn(set(11, id(1)))).toEqual({ done: undefined });
    expect(await findJob(await database(), id(11))).toMatchObject({ former: id(1) });
    expect(await takeIn(set(12, id(4)))).toEqual({ refused: 'the job it was here for before is not closed, or gone' });
    expect(await findJob(await database(), id(12))).toBeUndefined();
    expect(await takeIn(set(13, 'not an id'))).toHaveProperty('refused');
  });

  it('counts as the same again by its cause, and before that is known by what it shows', async () => {
    const of = async (left: string) => (await leavings(await database())).filter((one) => one.left === left);
    // The one that was kept never left.
    expect(await of('2025-11-01T10:00:00Z')).toMatchObject([{ same: true }, {}]);
    await takeIn(set(14, id(2), ['sparkle']));
    expect(await of('2025-11-01T10:00:00Z')).toMatchObject([{ same: true }, { same: false }]);
    await close(11, 'Q511.short', '2026-11-20T10:00:00Z');
    expect(await of('2025-11-01T10:00:00Z')).toMatchObject([{ same: false }, { same: false }]);
    const seen = returnsSeen(await leavings(await database()), new Date('2026-11-24T10:00:00Z'));
    expect(seen).toMatchObject({ sets: 3, returns: { same: 0, other: 2 } });
    expect(returnRisk(seen, 1).other).toBeGreaterThan(returnRisk(returnsSeen([], new Date()), 1).other);
  });
});
