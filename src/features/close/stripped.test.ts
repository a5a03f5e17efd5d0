import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { addJob, database, donorParts, donors, findJob, searchShelf } from '@/store';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { closeWithNote } from './actions';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));

let folder: string;
const note = (job: string, more: object = {}) => ({
  job,
  title: 'Kerb find: glass cracked',
  symptom: '',
  cause: 'glass cracked',
  proof: '',
  cure: '',
  misled: '',
  parts: '',
  fault: null,
  money: 0,
  minutes: 40,
  outcome: 'stripped',
  kept: '',
  left: '',
  ...more,
});

beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-stripped-'));
  process.env.TOVRIK_DB = path.join(folder, 'tovrik.db');
  for (const id of ['one', 'two', 'three']) await addJob(await database(), takenIn(id, { title: `Set ${id}` }));
});
afterAll(async () => {
  await (await database()).destroy();
  rmSync(folder, { recursive: true });
});

describe('a set that is stripped at closing', () => {
  it('puts what is kept on the shelf, and becomes a donor of what is left in it', async () => {
    const kept = 'Q nfet 300V 30A x2 in Q9\n';
    const left = 'B no HP-PSU tested 12 min\n\nC 100u 35V lowesr x3 on PSU unknown';
    expect(await closeWithNote(note('one', { kept, left }))).toEqual({ done: undefined });
    expect(await searchShelf(await database(), 'Q9')).toMatchObject([{ count: 2, origin: 'Set one, stripped' }]);
    expect(await donors(await database())).toMatchObject([{ title: 'Set one', note: 'glass cracked' }]);
    expect(await donorParts(await database())).toMatchObject([
      { typed: 'B no HP-PSU', board: '', condition: 'tested', minutes: 12, count: 1 },
      { typed: 'C 100µF 35V lowesr', board: 'PSU', condition: 'unknown', count: 3 },
    ]);
  });

  it('is not closed where a line cannot be read, and nothing of it is anywhere', async () => {
    expect(await closeWithNote(note('two', { kept: 'R 10 1W', left: 'B no HP-PSU\nC sparkling' }))).toMatchObject({
      refused: expect.stringMatching(/left in it.*line 2.*sparkling/) as string,
    });
    expect((await findJob(await database(), 'two'))!.closedAt).toBeNull();
    expect(await searchShelf(await database(), '10R 1W')).toEqual([]);
    expect(await donors(await database())).toHaveLength(1);
  });

  it('is none where it is returned, whatever was typed before', async () => {
    expect(await closeWithNote(note('three', { outcome: 'returned', left: 'B no HP-PSU' }))).toEqual({
      done: undefined,
    });
    expect(await donors(await database())).toHaveLength(1);
  });
});
