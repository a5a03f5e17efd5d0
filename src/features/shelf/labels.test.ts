import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { readCounted, readStockCsv } from '@/core/supply';
import { database, putList, putOnShelf, shelfSize } from '@/store';
import { takeList } from './handleList';
import { loadLabels } from './loadLabels';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));

let folder: string;
const origin = 'http://127.0.0.1:4870';
const put = async (typed: string) =>
  putOnShelf(await database(), readCounted(typed), 'new', { id: crypto.randomUUID(), at: '2026-11-28', why: 'put' });

beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-labels-'));
  process.env.TOVRIK_DB = path.join(folder, 'tovrik.db');
  for (const value of ['100u', '220u', '330u', '470u', '680u', '1000u']) await put(`C ${value} 50V in B10`);
  await put('R 10 1W in B2');
  await put('D 600V 3A');
});
afterAll(async () => {
  await (await database()).destroy();
  rmSync(folder, { recursive: true });
});

describe('labels', () => {
  it('are one a drawer, in the order in which drawers are numbered, with what fits of their contents', async () => {
    const labels = await loadLabels('', origin);
    expect(labels.map(({ title }) => title)).toEqual(['B2', 'B10', 'D 600V 3A']);
    expect(labels[1]!.lines).toHaveLength(4);
    expect(labels[1]!.lines.at(-1)).toBe('and 3 more kinds');
    expect(labels[2]!.lines).toEqual([]);
  });

  it('carry a code of their own', async () => {
    const codes = (await loadLabels('', origin)).map(({ code }) => code);
    for (const code of codes) expect(code).toMatch(/^data:image\/png;base64,/);
    expect(new Set(codes).size).toBe(codes.length);
    expect((await loadLabels('', 'http://bench.local:4870'))[0]!.code).not.toBe(codes[0]);
  });

  it('are of what a search finds', async () => {
    expect((await loadLabels('10R', origin)).length).toBeLessThan(3);
    expect((await loadLabels('B2', origin)).map(({ title }) => title)).toEqual(['B2']);
  });
});

describe('a stock list that is given up', () => {
  const text = ['part,count', ...Array.from({ length: 500 }, (_, at) => `C ${at + 1}u 50V,2`)].join('\n');

  it('leaves nothing of it', async () => {
    const before = await shelfSize(await database());
    const given = new AbortController();
    const lines = readStockCsv(text);
    const putting = putList(await database(), lines, () => crypto.randomUUID(), '2026-11-28', given.signal);
    given.abort();
    await expect(putting).rejects.toThrow();
    expect(await shelfSize(await database())).toEqual(before);
    const request = new Request('http://here/api/shelf/list?put', { method: 'POST', body: text, signal: given.signal });
    await expect(takeList(request).then((answer) => answer.status)).resolves.not.toBe(200);
  });

  it('is there as a whole where it is not', async () => {
    const before = await shelfSize(await database());
    const answer = await takeList(new Request('http://here/api/shelf/list?put', { method: 'POST', body: text }));
    expect(await answer.json()).toEqual({ lines: 500, pieces: 1000 });
    const { kinds, pieces } = await shelfSize(await database());
    expect(pieces - before.pieces).toBe(1000);
    expect(kinds).toBeGreaterThan(before.kinds);
  });
});
