import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, rm, stat } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { type ReadableStream as WebStream } from 'node:stream/web';
import { Refusal } from '@/core/quantity';
import { causesOf, database, databaseFile, exportShop, fullDisk, importShop, type Merged, sheetsOfJob } from '@/store';

/** No archive that is sent is larger; the command line takes larger ones. */
const largest = 4 * 1024 ** 3;

/** What the server says while it takes an archive in, one a line. */
export type ArchiveWord =
  { readonly done: number; readonly of: number } | { readonly merged: Merged } | { readonly refused: string };

/** A folder of its own for one archive, gone when it is done with. */
const roomFor = () => mkdtemp(path.join(os.tmpdir(), 'tovrik-'));

const attached = (name: string, type: string) => ({
  'content-type': type,
  'content-disposition': `attachment; filename="${name}"`,
});

/** The shop, one set (`?job=ID`) or its causes (`?causes`) as a file. */
export async function giveArchive(request: Request): Promise<Response> {
  const asked = new URL(request.url).searchParams;
  const now = new Date();
  const day = now.toISOString().slice(0, 10);
  if (asked.has('causes'))
    return new Response(JSON.stringify(await causesOf(await database(), now), null, 2), {
      headers: attached(`tovrik-causes-${day}.json`, 'application/json'),
    });
  const job = asked.get('job');
  const room = await roomFor();
  try {
    const file = path.join(room, 'shop.zip');
    const extent = job === null ? { all: true as const } : { job, sheets: await sheetsOfJob(await database(), job) };
    await exportShop(databaseFile(), file, extent, now);
    const { size } = await stat(file);
    const stream = createReadStream(file);
    stream.once('close', () => void rm(room, { recursive: true, force: true }));
    return new Response(Readable.toWeb(stream) as ReadableStream<Uint8Array>, {
      headers: {
        ...attached(`tovrik-${job === null ? 'shop' : 'set'}-${day}.zip`, 'application/zip'),
        'content-length': String(size),
      },
    });
  } catch (error) {
    await rm(room, { recursive: true, force: true });
    if (error instanceof Refusal) return Response.json({ refused: error.message }, { status: 404 });
    const full = fullDisk(error);
    if (full) return Response.json({ refused: full.message }, { status: 507 });
    throw error;
  }
}

/** Takes an archive in, or with `?dry` says what would come of it; tells how far it is. Broken off, nothing changes. */
export function takeArchive(request: Request): Response {
  const asked = new URL(request.url).searchParams;
  const prefer = asked.get('prefer') === 'there' ? 'there' : 'here';
  const letters = new TextEncoder();
  const told = new TransformStream<Uint8Array, Uint8Array>();
  const writer = told.writable.getWriter();
  const say = (word: ArchiveWord) => writer.write(letters.encode(`${JSON.stringify(word)}\n`)).catch(() => undefined);
  const off = new AbortController();
  request.signal.addEventListener('abort', () => off.abort());
  const take = async () => {
    const room = await roomFor();
    try {
      const file = path.join(room, 'shop.zip');
      await receive(request, file);
      let last = 0;
      const merged = await importShop(databaseFile(), file, {
        prefer,
        dry: asked.has('dry'),
        signal: off.signal,
        onProgress(done, of) {
          if (done < last + of / 50) return;
          last = done;
          void say({ done, of });
        },
      });
      await say({ merged });
    } catch (error) {
      const refusal = error instanceof Refusal ? error : fullDisk(error);
      await say({ refused: refusal?.message ?? 'something went wrong; nothing was changed' });
      if (!refusal) console.error(error);
    } finally {
      await rm(room, { recursive: true, force: true });
      await writer.close().catch(() => undefined);
    }
  };
  void take();
  return new Response(told.readable, { headers: { 'content-type': 'application/x-ndjson' } });
}

async function receive(request: Request, file: string): Promise<void> {
  if (!request.body) throw new Refusal('no file came');
  let bytes = 0;
  const counted = new Transform({
    transform(chunk: Buffer, _, done) {
      bytes += chunk.length;
      done(
        bytes > largest ? new Refusal('larger than 4 GB: take it in on the command line, "bin/tovrik import"') : null,
        chunk,
      );
    },
  });
  await pipeline(Readable.fromWeb(request.body as WebStream), counted, createWriteStream(file));
}
