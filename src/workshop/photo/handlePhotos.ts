import 'server-only';
import { addPhoto, database, findJob, fullDisk, findPhoto, mostPhotos, TooManyPhotos } from '@/store';
import { largestPhoto, photoType } from './photoTypes';

const answer = (status: number, message: string) => Response.json({ message }, { status });
const tooLarge = () =>
  answer(413, `a photograph may have ${largestPhoto / 1048576} MB at most: make it smaller and send it again`);

/** Reads a body up to a size; undefined where it is larger. No more of it is ever held. */
async function readUpTo(request: Request, most: number): Promise<Buffer | undefined> {
  if (Number(request.headers.get('content-length') ?? 0) > most) return undefined;
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  if (!reader) return Buffer.alloc(0);
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return Buffer.concat(chunks);
    size += value.length;
    if (size > most) {
      await reader.cancel();
      return undefined;
    }
    chunks.push(value);
  }
}

/** Keeps a photograph of a job. What is answered with 200 is on disk. */
export async function postPhoto(request: Request, job: string): Promise<Response> {
  const id = request.headers.get('x-photo-id') ?? '';
  if (!/^[0-9a-zA-Z-]{8,64}$/.test(id)) return answer(400, 'x-photo-id must be 8 to 64 letters, digits or dashes');
  const bytes = await readUpTo(request, largestPhoto);
  if (!bytes) return tooLarge();
  const type = photoType(bytes);
  if (type === undefined) return answer(415, 'that is no photograph: JPEG, PNG and WebP are kept');
  const db = await database();
  if (!(await findJob(db, job))) return answer(404, 'there is no such job');
  try {
    await addPhoto(db, { id, job, at: new Date().toISOString(), type, bytes });
  } catch (error) {
    if (error instanceof TooManyPhotos)
      return answer(409, `${mostPhotos} photographs are kept of one job, and it has them: this one was not kept`);
    const full = fullDisk(error);
    if (full) return answer(507, full.message);
    throw error;
  }
  return Response.json({ id });
}

export async function getPhoto(job: string, id: string): Promise<Response> {
  const photo = await findPhoto(await database(), job, id);
  if (!photo) return answer(404, 'there is no such photograph');
  return new Response(new Uint8Array(photo.bytes), {
    headers: {
      'content-type': photo.type,
      'cache-control': 'private, max-age=31536000, immutable',
      'x-content-type-options': 'nosniff',
    },
  });
}
