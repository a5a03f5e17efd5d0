import { attempt, Refusal } from '@/core/quantity';
import { rankFor, readShelfLine, type ShelfLine, type Size, supplyKinds, type SupplyPart } from '@/core/supply';
import { type StockRow } from '@/store';
import { type ShelfRow } from '@/workshop/parts';

/** So many that would do are shown, and so many of those that miss it by one figure. */
const most = { doing: 50, missing: 5 };

/** The stock with a verdict for each, the nearest first; then what fails in one figure alone, with that figure. */
export function rankedFor({ part, place }: Extract<ShelfLine, { do: 'for' }>, stock: readonly StockRow[]): ShelfRow[] {
  const ranked = rankFor(part, stock, place);
  // The first figure of a kind is what a part is: nobody takes 470 nF for 680 µF.
  const [what] = Object.keys(supplyKinds[part.kind].figures);
  const doing = ranked.filter(({ verdict }) => verdict !== 'no');
  const missing = ranked.filter(({ failing }) => failing.length === 1 && failing[0] !== what);
  return [...doing.slice(0, most.doing), ...missing.slice(0, most.missing)].map(
    ({ row, verdict, reason }): ShelfRow => ({ ...row, verdict, reason }),
  );
}

/** Rows that are only looked up. */
export const plainRows = (stock: readonly StockRow[]): ShelfRow[] =>
  stock.map((row) => ({ ...row, verdict: undefined, reason: '' }));

/** What a typed line asks a substitute for; undefined where it asks for something else, or cannot be read yet. */
export function askedIn(typed: string): Extract<ShelfLine, { do: 'for' }> | undefined {
  const line = attempt(() => readShelfLine(typed));
  return !(line instanceof Refusal) && line.do === 'for' ? line : undefined;
}

/** A body as it is seen from above, in millimetres. */
export interface PartSize {
  readonly across: number;
  readonly deep: number;
  readonly round: boolean;
  /** Lead to lead. */
  readonly pitch: number | undefined;
}

/**
 * The size of a part from above: a can of two figures is round, a box of three has its length and width first.
 * Undefined where it is not said.
 */
export function sizeOf({ figures }: SupplyPart): PartSize | undefined {
  const { size } = figures;
  return size === undefined ? undefined : fromAbove(size as Size);
}

/** The same of the room that a place has. */
export function fromAbove({ body, pitch }: Size): PartSize | undefined {
  const [across, deep, tall] = body;
  if (across === undefined) return undefined;
  const round = tall === undefined;
  return { across, deep: round ? across : deep!, round, pitch };
}
