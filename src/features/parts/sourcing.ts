import 'server-only';
import { Refusal } from '@/core/quantity';
import {
  bestBasket,
  type CatalogueItem,
  patienceOf,
  readPart,
  type SupplyKind,
  sourcingOf,
  type Vendor,
} from '@/core/supply';
import { SupplierLink } from '@/instruments/suppliers';
import {
  database,
  donorParts,
  itemsOf,
  keepItems,
  keepTerms,
  openNeeds,
  stockLike,
  type SupplierRow,
  suppliers,
} from '@/store';
import { type HouseLot, proposed, type SellerView, type Sourced } from './sourcedView';

type Database = Awaited<ReturnType<typeof database>>;

/** So many lines and fewer are worked out for every number of days. */
const fewLines = 25;

/** A supplier as one can buy of him now: what his service says, or what was kept of it when he does not answer. */
async function vendorOf(
  db: Database,
  supplier: SupplierRow,
  parts: readonly string[],
): Promise<{ readonly vendor: Vendor; readonly trouble: string | undefined }> {
  const { id, title, link } = supplier;
  const kinds: SupplyKind[] = [...new Set(parts.map((typed) => readPart(typed).kind))];
  let trouble: string | undefined;
  let items: readonly CatalogueItem[] | undefined;
  let terms = {
    postage: supplier.postage,
    freeFrom: supplier.freeFrom,
    minimum: supplier.minimum,
    days: supplier.days,
  };
  if (link !== '') {
    try {
      const answer = await new SupplierLink(title, link).offers(parts);
      const { postage, freeFrom = null, minimum = null, days } = answer;
      terms = { postage, freeFrom, minimum, days };
      items = answer.items.map(({ stock, days: later, ...item }) => ({ ...item, stock, days: later }));
      await keepItems(db, id, items, new Date().toISOString());
      await keepTerms(db, id, terms);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      trouble = error.message;
    }
  }
  if (!items) {
    const kept = await itemsOf(db, id, kinds);
    const oldest = kept.map(({ seen }) => seen).sort()[0];
    if (trouble !== undefined)
      trouble +=
        oldest === undefined ? '. Nothing is known of its prices' : `. Its prices of ${oldest.slice(0, 10)} are used`;
    items = kept;
  }
  const { postage, freeFrom, minimum, days } = terms;
  return {
    vendor: { id, postage, freeFrom: freeFrom ?? undefined, minimum: minimum ?? undefined, days, items },
    trouble,
  };
}

/** So many of what lies nearest are judged for each part. */
const nearest = 300;

/** All that lies in drawers and might do for one of the parts. */
async function onShelf(db: Database, parts: readonly string[]): Promise<HouseLot[]> {
  const found = new Map<string, HouseLot>();
  for (const typed of parts)
    for (const row of await stockLike(db, readPart(typed), nearest)) found.set(row.id, { ...row, from: 'shelf' });
  return [...found.values()];
}

/**
 * Where all that is wanted may come from: the shelf, then donors, then the cheapest orders.
 *
 * @param within days in which all has to be here
 */
export async function loadSourced(within: number): Promise<Sourced> {
  const db = await database();
  const wanted = (await openNeeds(db)).filter(({ state }) => state === 'wanted');
  const parts = [...new Set(wanted.map(({ typed }) => typed))];
  const [shelf, inDonors, sellers] = await Promise.all([onShelf(db, parts), donorParts(db), suppliers(db)]);
  // What is doubtful is taken by whoever asks for it, and never proposed.
  const worthTaking = inDonors.filter(({ count, condition }) => count > 0 && condition !== 'doubtful');
  const lots = [shelf, worthTaking.map((part): HouseLot => ({ ...part, from: 'donor' }))];
  const dry = sourcingOf(wanted, lots, []);
  const toBuy = dry.problem.lines.map(({ id }) => id);
  const asked = toBuy.length === 0 ? [] : await Promise.all(sellers.map((seller) => vendorOf(db, seller, toBuy)));
  const sourcing = sourcingOf(
    wanted,
    lots,
    asked.map(({ vendor }) => vendor),
  );
  const basket = await bestBasket(sourcing.problem, within);
  const views = asked.map(({ vendor }, index): SellerView => ({
    ...sellers[index]!,
    items: new Map(vendor.items.map(({ item, typed }) => [item, typed])),
  }));
  const sets = new Map(wanted.map(({ id, set, count }) => [id, { set, count }]));
  return {
    ...proposed(sourcing, basket, views, sets, Date.now()),
    patience: toBuy.length <= fewLines && asked.length > 0 ? await patienceOf(sourcing.problem) : [],
    trouble: asked.flatMap(({ trouble }) => trouble ?? []),
  };
}
