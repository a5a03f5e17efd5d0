import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { readCounted } from '@/core/supply';
import { addJob, database, putOnShelf } from '@/store';
import { takeFromHouse, wantPart } from '@/workshop/parts';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { stepNeed } from './actions';
import { loadParts } from './load';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));

let folder: string;
const id = () => crypto.randomUUID();
const put = async (typed: string) =>
  (await putOnShelf(await database(), readCounted(typed), 'new', { id: id(), at: '2026-11-28T10:00:00Z', why: 'put' }))
    .id;
const refused = (message: string) => ({ refused: expect.stringContaining(message) as unknown });

beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-parts-'));
  process.env.TOVRIK_DB = path.join(folder, 'tovrik.db');
  await addJob(await database(), takenIn('a-job'));
});
afterAll(async () => {
  await (await database()).destroy();
  rmSync(folder, { recursive: true });
});

describe('what a set needs, as the page writes it down', () => {
  const need = id();
  const row = async () => (await loadParts()).rows.find((one) => one.id === need)!;

  it('is refused where the part, the set or the id is none, each with one message', async () => {
    expect(await wantPart({ id: need, job: 'a-job', typed: '' })).toEqual(refused('write the part'));
    expect(await wantPart({ id: need, job: 'a-job', typed: 'C 1u 50V x0' })).toEqual(refused('no number of pieces'));
    expect(await wantPart({ id: need, job: 'nobody', typed: 'C 1u 50V' })).toEqual(refused('closed or gone'));
    expect(await wantPart({ id: 'mine', job: 'a-job', typed: 'C 1u 50V' })).toEqual(refused('an id of its own'));
    expect((await loadParts()).rows).toEqual([]);
  });

  it('is offered what does nearest and is enough, like for like before better', async () => {
    await put('C 680u 100V 105 x9 in B9');
    await put('C 680u 50V 105 x3 in B3');
    const few = await put('C 680u 50V 105 x1 in B1');
    expect(await wantPart({ id: need, job: 'a-job', typed: 'C 680u 50V 105 x2' })).toEqual({ done: undefined });
    expect((await row()).shelf).toMatchObject({ drawer: 'B3', verdict: 'fits', count: 3 });
    expect(await takeFromHouse({ id: id(), need, part: few, from: 'shelf' })).toEqual(refused('there is only 1'));
    expect((await row()).state).toBe('wanted');
  });

  it('moves on by steps that may follow, late ones marked', async () => {
    const step = (state: string, more: object = {}) => stepNeed({ id: id(), need, state, ...more });
    expect(await step('fitted')).toEqual(refused('what is wanted cannot be fitted next'));
    expect(await step('sold')).toEqual(refused('a need is'));
    expect(await step('ordered', { due: 'soon' })).toEqual(refused('written 2026-12-02'));
    expect(await step('ordered', { price: -1 })).toEqual(refused('a price is from 0 on'));
    expect(await step('ordered', { supplier: 'Hollin', due: '2026-01-05', price: 0.9 })).toEqual({ done: undefined });
    expect(await row()).toMatchObject({ state: 'ordered', supplier: 'Hollin', price: 0.9, shelf: undefined });
    expect((await row()).overdue).toBeGreaterThan(300);
    expect(await step('here')).toEqual({ done: undefined });
    expect((await row()).overdue).toBeUndefined();
  });
});
