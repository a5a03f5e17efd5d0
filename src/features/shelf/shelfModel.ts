import { rankFor, type ShelfLine, supplyKinds } from '@/core/supply';
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
