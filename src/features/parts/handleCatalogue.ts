import { revalidatePath } from 'next/cache';
import { attempt, Refusal } from '@/core/quantity';
import { readCatalogue } from '@/core/supply';
import { database, fullDisk, keepItems, suppliers } from '@/store';

/** A catalogue longer than this, in characters, is none. */
const longest = 8 * 1024 * 1024;

/** Takes a supplier’s catalogue as CSV, whole or not at all; what was known of him before goes. */
export async function takeCatalogue(request: Request): Promise<Response> {
  const supplier = new URL(request.url).searchParams.get('supplier') ?? '';
  const text = await request.text();
  if (text.length > longest) return Response.json({ refused: 'a catalogue has 8 MB at most' }, { status: 413 });
  const db = await database();
  if (!(await suppliers(db)).some(({ id }) => id === supplier))
    return Response.json({ refused: 'there is no such supplier' }, { status: 404 });
  const items = attempt(() => readCatalogue(text));
  if (items instanceof Refusal) return Response.json({ refused: items.message }, { status: 422 });
  try {
    await keepItems(db, supplier, items, new Date().toISOString(), true);
  } catch (error) {
    const full = fullDisk(error);
    if (full) return Response.json({ refused: full.message }, { status: 507 });
    throw error;
  }
  revalidatePath('/parts');
  return Response.json({ items: items.length });
}
