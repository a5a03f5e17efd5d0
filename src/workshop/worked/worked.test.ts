import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { beforeEach, expect, it, vi } from 'vitest';
import { shippedSheets } from '@/sheets';
import { layoutLine } from '@/workshop/line/layout';
import { addJob, database, readWorkedOut } from '@/store';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { keptWork } from './worked';

vi.mock('server-only', () => ({}));
const built = vi.hoisted(() => ({ build: 'one' }));
vi.mock('./build', () => built);

const work = vi.fn(() => ({ limits: [1, Infinity], of: undefined }));

beforeEach(() => {
  process.env.TOVRIK_DB = path.join(mkdtempSync(path.join(os.tmpdir(), 'tovrik-worked-')), 'tovrik.db');
  work.mockClear();
});

it('works out once what comes from the same causes and the same build, and reads it as it was', async () => {
  await addJob(await database(), takenIn('a'));
  const first = await keptWork('briefing', 'a', ['x'], work);
  expect(await keptWork('briefing', 'a', ['x'], work)).toEqual(first);
  expect(work).toHaveBeenCalledTimes(1);
  await keptWork('briefing', 'a', ['y'], work);
  expect(work).toHaveBeenCalledTimes(2);
  built.build = 'another';
  await keptWork('briefing', 'a', ['y'], work);
  expect(work).toHaveBeenCalledTimes(3);
});

it('keeps nothing of a job that is not there', async () => {
  await keptWork('briefing', 'gone', ['x'], work);
  expect(await readWorkedOut(await database(), 'briefing', ['gone'])).toHaveProperty('size', 0);
});

it('keeps where the blocks of a line stand', async () => {
  const sheet = shippedSheets().get('generic-plasma')!;
  const line = await layoutLine(sheet);
  const kept = (await readWorkedOut(await database(), 'line', [sheet.id])).get(sheet.id)!;
  expect(kept.body).toContain(line.blocks[0]!.id);
});
