import 'server-only';
import { attempt, Refusal } from '@/core/quantity';
import { readShelfLine } from '@/core/supply';
import { database, searchShelf, shelfSize, stockLike } from '@/store';
import { type Found } from '@/workshop/parts';
import { plainRows, rankedFor } from './shelfModel';

/** The rows a typed line asks for: what is there, or what would do in place of a part. */
export async function findOnShelf(typed: string): Promise<Found> {
  const line = attempt(() => readShelfLine(typed));
  if (line instanceof Refusal) return { rows: [], refused: line.message };
  const db = await database();
  if (line.do === 'for') return { rows: rankedFor(line, await stockLike(db, line.part)) };
  return { rows: plainRows(line.do === 'put' ? [] : await searchShelf(db, line.typed)) };
}

export async function loadShelf(typed: string) {
  const db = await database();
  const [found, size] = await Promise.all([findOnShelf(typed), shelfSize(db)]);
  return { found, size };
}
