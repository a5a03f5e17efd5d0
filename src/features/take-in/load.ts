import 'server-only';
import { kinOf, readLibrary, type SheetCard, sheetCards, sheetOf } from '@/workshop/library/server';
import { openSheet, type Sheet, SheetError } from '@/core/sheet';
import { closedBySheet, closedCounts, database, readSettings, type Settings } from '@/store';

/** What the take-in page works with: the sheets to choose from and the chosen one in full. */
export interface TakeInPage {
  readonly cards: readonly SheetCard[];
  /** Jobs this shop has closed, by sheet. */
  readonly done: ReadonlyMap<string, number>;
  readonly sheet: Sheet;
  readonly options: Readonly<Record<string, string>>;
  /** Closed jobs of the chosen sheet, by fault. */
  readonly closed: ReadonlyMap<string, number>;
  readonly settings: Settings;
}

/**
 * @param wanted the sheet and the choices of its options, as in the page's address; what does not
 *   fit is left at what the sheet takes by itself
 */
export async function loadTakeIn(wanted: Readonly<Record<string, string>>): Promise<TakeInPage> {
  const db = await database();
  const library = await readLibrary();
  const done = await closedBySheet(db);
  const met = (id: string) => done.get(id) ?? 0;
  // What the shop meets most often stands first; generic sheets stay last.
  const cards = sheetCards(library)
    .filter(({ broken }) => broken === undefined)
    .sort((a, b) => Number(a.generic) - Number(b.generic) || met(b.id) - met(a.id));
  const { sheet: id, ...choices } = wanted;
  const card = cards.find((one) => one.id === id) ?? cards[0]!;
  const plain = sheetOf(library, { sheet: card.id, options: {}, label: {} })!;
  const options = Object.fromEntries(
    plain.options.flatMap(({ id: option, choices: known }) => {
      const choice = choices[option];
      return choice !== undefined && known.some((one) => one.id === choice) ? [[option, choice]] : [];
    }),
  );
  return {
    cards,
    done,
    sheet: openSheet(tryOptions(() => sheetOf(library, { sheet: card.id, options, label: {} })!) ?? plain),
    options,
    closed: await closedCounts(db, kinOf(library, card.id)),
    settings: await readSettings(db),
  };
}

/** Two choices may not fit together; then the sheet stands as it is by itself. */
function tryOptions(read: () => Sheet): Sheet | undefined {
  try {
    return read();
  } catch (error) {
    if (error instanceof SheetError) return undefined;
    throw error;
  }
}
