import { beforeEach, describe, expect, it, vi } from 'vitest';
import { type Photo } from '@/store/photos';
import { getPhoto, postPhoto } from './handlePhotos';
import { largestPhoto } from './photoTypes';

const kept = new Map<string, Photo>();
vi.mock('server-only', () => ({}));
vi.mock('@/store', () => ({
  database: () => Promise.resolve({}),
  findJob: (_: unknown, id: string) => Promise.resolve(id === 'a-job' ? { id } : undefined),
  addPhoto: (_: unknown, photo: Photo) => Promise.resolve(void kept.set(photo.id, photo)),
  findPhoto: (_: unknown, job: string, id: string) =>
    Promise.resolve([...kept.values()].find((one) => one.id === id && one.job === job)),
}));

const png = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 1, 2, 3);
const sent = (body: BodyInit, headers: Record<string, string> = { 'x-photo-id': 'photo-0001' }) =>
  new Request('http://localhost/', { method: 'POST', body, headers, duplex: 'half' } as RequestInit);
const message = async (answer: Response) => ((await answer.json()) as { message: string }).message;

beforeEach(() => kept.clear());

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
    expect(kept.size).toBe(0);
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
