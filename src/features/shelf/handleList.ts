import { revalidatePath } from 'next/cache';
import { attempt, Refusal } from '@/core/quantity';
import { readPart, readStockCsv, writeStockCsv } from '@/core/supply';
import { database, fullDisk, putList, wholeShelf } from '@/store';

/** A stock list longer than this, in characters, is none. */
const longest = 8 * 1024 * 1024;

/**
 * Takes a stock list as CSV. Without `put` it only says what it would put there, of a piece that stands so many lines
 * `before` the rest; with it all lines are put, or none.
 */
export async function takeList(request: Request): Promise<Response> {
  const text = await request.text();
  if (text.length > longest) return Response.json({ refused: 'a stock list has 8 MB at most' }, { status: 413 });
  const asked = new URL(request.url).searchParams;
  const lines = attempt(() => readStockCsv(text, Number(asked.get('before') ?? 0) || 0));
  if (lines instanceof Refusal) return Response.json({ refused: lines.message }, { status: 422 });
  const pieces = lines.reduce((sum, { count }) => sum + count, 0);
  if (asked.has('put')) {
    const ids = lines.map(() => crypto.randomUUID());
    try {
      await putList(await database(), lines, (at) => ids[at]!, new Date().toISOString(), request.signal);
    } catch (error) {
      const full = fullDisk(error);
      if (full) return Response.json({ refused: full.message }, { status: 507 });
      if (!request.signal.aborted) throw error;
      return Response.json({ refused: 'given up: nothing of the list was put' }, { status: 499 });
    }
    revalidatePath('/shelf');
  }
  return Response.json({ lines: lines.length, pieces });
}

/** The whole shelf as CSV. */
export async function giveList(): Promise<Response> {
  const rows = await wholeShelf(await database());
  const text = writeStockCsv(rows.map(({ typed, ...row }) => ({ ...row, part: readPart(typed) })));
  return new Response(text, {
    headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="shelf.csv"' },
  });
}
