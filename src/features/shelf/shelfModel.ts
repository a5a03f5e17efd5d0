import { nearness, readPart, type ShelfLine, substitute, supplyKinds } from '@/core/supply';
import { type StockRow } from '@/store';
import { type ShelfRow } from '@/workshop/parts';

/** So many that would do are shown, and so many of those that miss it by one figure. */
const most = { doing: 50, missing: 5 };

/** The stock with a verdict for each, the nearest first; then what fails in one figure alone, with that figure. */
export function rankedFor({ part, place }: Extract<ShelfLine, { do: 'for' }>, stock: readonly StockRow[]): ShelfRow[] {
  const judged = stock.map((row) => ({ row, ...substitute(part, readPart(row.typed), place) }));
  // The first figure of a kind is what a part is: nobody takes 470 nF for 680 µF.
  const [what] = Object.keys(supplyKinds[part.kind].figures);
  const missing = judged.filter(({ fields }) => {
    const failing = fields.filter(({ verdict }) => verdict === 'no');
    return failing.length === 1 && failing[0]!.field !== what;
  });
  const doing = judged
    .filter(({ verdict }) => verdict !== 'no')
    .sort((a, b) => nearness[a.verdict] - nearness[b.verdict]);
  return [...doing.slice(0, most.doing), ...missing.slice(0, most.missing)].map(
    ({ row, verdict, fields }): ShelfRow => {
      const [worst] = fields;
      const altered = fields.flatMap(({ alter }) => alter ?? []);
      const reason = verdict === 'watch' || verdict === 'no' ? `${worst!.title}: ${worst!.reason}` : '';
      return { ...row, verdict, reason: [reason, ...altered].filter(Boolean).join(' · ') };
    },
  );
}

/** Rows that are only looked up. */
export const plainRows = (stock: readonly StockRow[]): ShelfRow[] =>
  stock.map((row) => ({ ...row, verdict: undefined, reason: '' }));
