import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { addJob, addPhoto, database, mostPhotos } from '@/store';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { getPhoto, postPhoto } from './handlePhotos';
import { largestPhoto } from './photoTypes';

vi.mock('server-only', () => ({}));

let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-photos-'));
  process.env.TOVRIK_DB = path.join(folder, 'tovrik.db');
  await addJob(await database(), takenIn('a-job'));
});
afterAll(async () => {
  await (await database()).destroy();
  rmSync(folder, { recursive: true });
});
beforeEach(async () => {
  await (await database())('photo').delete();
});
const kept = async () => Number((await (await database())('photo').count({ count: '*' }))[0]!.count);

const png = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 1, 2, 3);
const sent = (body: BodyInit, headers: Record<string, string> = { 'x-photo-id': 'photo-0001' }) =>
  new Request('http://localhost/', { method: 'POST', body, headers, duplex: 'half' } as RequestInit);
const message = async (answer: Response) => ((await answer.json()) as { message: string }).message;

describe('a photograph that is sent', () => {
  it('is kept, and comes back as what its bytes are', async () => {
    expect((await postPhoto(sent(png), 'a-job')).status).toBe(200);
    const answer = await getPhoto('a-job', 'photo-0001');
    expect(answer.headers.get('content-type')).toBe('image/png');
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
    expect(new Uint8Array(await answer.arrayBuffer())).toEqual(png);
    expect((await getPhoto('another', 'photo-0001')).status).toBe(404);
  });

  it.each([
    [415, () => sent('<svg onload="alert(1)"/>'), /that is no photograph: JPEG, PNG and WebP/],
    [400, () => sent(png, {}), /x-photo-id must be/],
    [400, () => sent(png, { 'x-photo-id': '../../etc' }), /x-photo-id must be/],
    [413, () => sent(Buffer.alloc(largestPhoto + 1)), /8 MB at most/],
  ])('is refused with %d and what would be right', async (status, request, words) => {
    const answer = await postPhoto(request(), 'a-job');
    expect(answer.status).toBe(status);
    expect(await message(answer)).toMatch(words);
    expect(await kept()).toBe(0);
  });

  it('beyond as many as one job keeps is refused; one that is kept already is not', async () => {
    const db = await database();
    for (let index = 0; index < mostPhotos; index += 1)
      await addPhoto(db, { id: `photo-${index}-x`, job: 'a-job', at: '', type: 'image/png', bytes: Buffer.from(png) });
    const answer = await postPhoto(sent(png), 'a-job');
    expect(answer.status).toBe(409);
    expect(await message(answer)).toBe('150 photographs are kept of one job, and it has them: this one was not kept');
    expect((await postPhoto(sent(png, { 'x-photo-id': 'photo-7-x' }), 'a-job')).status).toBe(200);
    expect(await kept()).toBe(mostPhotos);
  });

  it('of no job is refused', async () => {
    expect((await postPhoto(sent(png), 'nobody')).status).toBe(404);
  });

  it('is read no further than it may be large, whatever it says of itself', async () => {
    let given = 0;
    let cancelled = false;
    const endless = new ReadableStream<Uint8Array>({
      pull(controller) {
        given += 1;
        controller.enqueue(new Uint8Array(1024 * 1024));
      },
      cancel() {
        cancelled = true;
      },
    });
    expect((await postPhoto(sent(endless), 'a-job')).status).toBe(413);
    expect(cancelled).toBe(true);
    expect(given).toBeLessThan(largestPhoto / (1024 * 1024) + 4);
  });
});
