import 'server-only';
import { rankFor, readPart } from '@/core/supply';
import {
  database,
  knownItems,
  type Need,
  openJobs,
  openNeeds,
  openOrders,
  readSettings,
  stockLike,
  type StockRow,
  suppliers,
} from '@/store';
import {
  daysLate,
  type FromShelf,
  mistakenOf,
  type NeedRow,
  type OrderView,
  orderWords,
  type SupplierView,
} from './partsModel';

/** So many of what lies nearest are judged for each need. */
const nearest = 50;

/** The stock that does best for a need and is enough, else the best of what is there. */
function bestFor({ typed, count }: Need, stock: readonly StockRow[]): FromShelf | undefined {
  const doing = rankFor(readPart(typed), stock).filter(({ verdict }) => verdict !== 'no');
  const best = doing.find(({ row }) => row.count >= count) ?? doing[0];
  if (!best) return undefined;
  const { row, verdict, reason } = best;
  return { part: row.id, typed: row.typed, drawer: row.drawer, count: row.count, verdict, reason };
}

/** What the open jobs need, with what the shelf has for it, and the sets that parts may be needed for. */
export async function loadParts() {
  const now = Date.now();
  const db = await database();
  const [needs, jobs, settings, placed, sellers, known] = await Promise.all([
    openNeeds(db),
    openJobs(db),
    readSettings(db),
    openOrders(db),
    suppliers(db),
    knownItems(db),
  ]);
  const linked = new Set(sellers.filter(({ link }) => link !== '').map(({ id }) => id));
  const rows: NeedRow[] = [];
  for (const need of needs) {
    const stock = need.state === 'wanted' ? await stockLike(db, readPart(need.typed), nearest) : [];
    rows.push({
      ...need,
      shelf: bestFor(need, stock),
      overdue: need.state === 'ordered' ? daysLate(need.due, now) : undefined,
    });
  }
  const orders = placed.map(({ id, supplier, title, reference, at, lines }): OrderView => ({
    id,
    title,
    reference,
    at,
    linked: linked.has(supplier) && reference !== '',
    lines: lines.map((line) => ({
      need: line.need,
      set: line.set,
      typed: line.typed,
      count: line.count,
      words: orderWords(line),
      mistaken: mistakenOf(line),
    })),
  }));
  return {
    rows,
    orders,
    suppliers: sellers.map((seller): SupplierView => ({ ...seller, items: known.get(seller.id) ?? 0 })),
    sets: jobs.map(({ id, title }) => ({ id, title })),
    currency: settings.currency,
  };
}
