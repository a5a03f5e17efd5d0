import 'server-only';
import { kinOf, readLibrary, type SheetCard, sheetCards, sheetOf } from '@/workshop/library/server';
import { predictionsOf } from '@/core/behaviour';
import { symptomTilesOf, type Tile } from '@/core/diagnosis';
import { openSheet, type Sheet, SheetError, sheetText } from '@/core/sheet';
import {
  closedBySheet,
  closedCounts,
  database,
  findJob,
  findNote,
  type Job,
  readSettings,
  type Settings,
} from '@/store';

/** What the take-in page works with: the sheets to choose from and the chosen one in full. */
export interface TakeInPage {
  readonly cards: readonly SheetCard[];
  /** Jobs this shop has closed, by sheet. */
  readonly done: ReadonlyMap<string, number>;
  /** As `sheetOfText` reads it. */
  readonly sheetText: string;
  /** What a set of this sheet may show, the commonest first. */
  readonly tiles: readonly Tile[];
  readonly options: Readonly<Record<string, string>>;
  /** Closed jobs of the chosen sheet, by fault. */
  readonly closed: ReadonlyMap<string, number>;
  readonly settings: Settings;
  /** The set that comes back, with what it was here for. */
  readonly former?: Former;
}

/** A set that was here before, and what it was then. */
export interface Former {
  readonly id: string;
  readonly set: Pick<Job, 'title' | 'place' | 'owner' | 'value' | 'limit'>;
  /** Values of its label, as typed. */
  readonly label: Readonly<Record<string, string>>;
  readonly cause: string;
  readonly closedAt: string;
  readonly remember: string;
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
  const before = await formerOf(db, wanted.former);
  const { sheet: id = before?.job.sheet, ...choices } = { ...before?.job.options, ...wanted };
  const card = cards.find((one) => one.id === id) ?? cards[0]!;
  const plain = sheetOf(library, { sheet: card.id, options: {}, label: {} })!;
  const options = Object.fromEntries(
    plain.options.flatMap(({ id: option, choices: known }) => {
      const choice = choices[option];
      return choice !== undefined && known.some((one) => one.id === choice) ? [[option, choice]] : [];
    }),
  );
  const sheet = openSheet(tryOptions(() => sheetOf(library, { sheet: card.id, options, label: {} })!) ?? plain);
  return {
    cards,
    done,
    sheetText: sheetText(sheet),
    tiles: symptomTilesOf(predictionsOf(sheet)),
    options,
    closed: await closedCounts(db, kinOf(library, card.id)),
    settings: await readSettings(db),
    ...(before ? { former: before.former } : {}),
  };
}

/** The set that comes back, where the address names a closed job. */
async function formerOf(db: Awaited<ReturnType<typeof database>>, id: string | undefined) {
  const [job, note] = id === undefined ? [] : await Promise.all([findJob(db, id), findNote(db, id)]);
  if (!job || !note) return undefined;
  const { title, place, owner, value, limit } = job;
  const former: Former = {
    id: job.id,
    set: { title, place, owner, value, limit },
    label: Object.fromEntries(Object.entries(job.label).map(([field, volts]) => [field, String(volts)])),
    cause: note.cause,
    closedAt: note.closedAt,
    remember: note.remember,
  };
  return { job, former };
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
