import { kept } from '@/core/recent';
import 'server-only';
import { priorOf } from '@/core/diagnosis';
import { attempt, Refusal } from '@/core/quantity';
import {
  type ComesIn,
  expectedDemand,
  type Experience,
  fromMark,
  planHarvest,
  rankFor,
  readPart,
  saleOf,
  simplyDoes,
  usualOf,
  worksOnceOut,
  writePart,
} from '@/core/supply';
import { type Sheet } from '@/core/sheet';
import {
  cheapestOffers,
  database,
  donorParts,
  donors,
  fittedNeeds,
  jobsBySheet,
  openNeeds,
  readSettings,
  stockLike,
} from '@/store';
import { readLibrary, sheetOf } from '@/workshop/library/server';
import { type DonorView, type PartRow, type PlanView } from './donorsModel';

/** Years that the shop looks back. */
const lookedBack = 2;
const year = 365.25 * 86_400_000;
/** What cannot be had anywhere is worth so many times its usual price. */
const scarce = 2.5;
/** Minutes that taking a board out takes, before anything on it can be reached. */
const boardOut = 5;

/** Of faults on a board, how many are cured by another board: a guess by hand. */
const boardSwapped = 0.3;

/** A name of a board that is its maker’s number. */
const isNumber = (alias: string) => /^[A-Z0-9]+[-./][A-Z0-9-./]*$/.test(alias);

/** The parts of a sheet as they are bought, and its boards by number, with the share of such sets that want each. */
function partsOf(sheet: Sheet): ComesIn['parts'] {
  return kept(known, sheet, () => shared(sheet));
}

/** Worked out once for each sheet. */
const known = new WeakMap<Sheet, ComesIn['parts']>();

function shared(sheet: Sheet): ComesIn['parts'] {
  const prior = priorOf(sheet);
  const shares = new Map<string, number>();
  const add = (typed: string, share: number) => shares.set(typed, (shares.get(typed) ?? 0) + share);
  for (const fault of sheet.faults.values()) {
    const part = sheet.parts.get(fault.part)!;
    const share = prior.get(fault.id)!;
    const bought = fromMark(part.kind, part.value);
    if (bought) add(writePart(bought), share);
    const board = sheet.boards.get(sheet.blocks.get(part.block)!.board);
    for (const alias of board?.aliases ?? []) if (isNumber(alias)) add(`B no ${alias}`, boardSwapped * share);
  }
  return [...shares].map(([typed, share]) => ({ typed, share }));
}

/** What the shop knows of what it will want. */
async function experience(): Promise<Experience> {
  const db = await database();
  const since = new Date(Date.now() - lookedBack * year).toISOString();
  const [needs, fitted, sets, library] = await Promise.all([
    openNeeds(db),
    fittedNeeds(db, since),
    jobsBySheet(db, since),
    readLibrary(),
  ]);
  const kinds = [...sets].flatMap(([id, count]): ComesIn[] => {
    const sheet = attempt(() => sheetOf(library, { sheet: id, options: {}, label: {} }));
    if (!sheet || sheet instanceof Refusal) return [];
    return [{ perYear: count / lookedBack, parts: partsOf(sheet) }];
  });
  return { waiting: needs.filter(({ state }) => state === 'wanted'), fitted, years: lookedBack, kinds };
}

/** All donors with what is left in them, who wants it and what it is worth. */
export async function loadDonors() {
  const db = await database();
  const [all, parts, needs, experienced, settings] = await Promise.all([
    donors(db),
    donorParts(db),
    openNeeds(db),
    experience(),
    readSettings(db),
  ]);
  const wanted = needs
    .filter(({ state }) => state === 'wanted' || state === 'ordered')
    .map((need) => ({ ...need, part: readPart(need.typed) }));
  const demandOf = expectedDemand(experienced);
  const rows = parts.map((part): PartRow => {
    const stands = ({ part: sought, count }: (typeof wanted)[number]) =>
      count <= part.count && rankFor(sought, [part]).some(({ verdict }) => verdict !== 'no');
    return {
      ...part,
      matches: wanted.filter(stands).map(({ id, set, count, typed, state }) => ({
        need: id,
        set,
        count,
        wanted: typed,
        ordered: state === 'ordered',
      })),
      demand: demandOf(part.typed),
    };
  });
  const views = all.map((donor): DonorView => ({ ...donor, parts: rows.filter((row) => row.donor === donor.id) }));
  const waitFor = ({ parts: own }: DonorView) =>
    new Set(own.flatMap(({ matches }) => matches.map(({ set }) => set))).size;
  // Those that a set waits for come first.
  views.sort((a, b) => waitFor(b) - waitFor(a));
  return { donors: views, currency: settings.currency, hourlyRate: settings.hourlyRate };
}

/** What to take out of a donor in so many minutes, and what to leave. */
export async function planFor(donor: string, minutes: number): Promise<PlanView> {
  const db = await database();
  const { donors: all, hourlyRate } = await loadDonors();
  const found = all.find(({ id }) => id === donor);
  if (!found) throw new Refusal('there is no such donor');
  const parts = found.parts.filter(({ count }) => count > 0);
  const offers = await cheapestOffers(db);
  /** What one costs to buy, or is worth where nobody is known to have it; money. */
  const worthOf = (typed: string): number => {
    const read = readPart(typed);
    const does = rankFor(read, offers).filter(simplyDoes);
    return does.length > 0 ? Math.min(...does.map(({ row }) => row.price)) : scarce * usualOf(read.kind).worth;
  };
  const shelf = new Map<string, number>();
  for (const { id, typed } of parts) {
    const read = readPart(typed);
    const there = rankFor(read, await stockLike(db, read)).filter(({ verdict }) => verdict === 'fits');
    shelf.set(
      id,
      there.reduce((sum, { row }) => sum + row.count, 0),
    );
  }
  const boards = new Set(parts.flatMap(({ board }) => (board === '' ? [] : [board])));
  const plan = await planHarvest({
    minutes,
    hour: hourlyRate,
    boards: new Map([...boards].map((board) => [board, boardOut])),
    parts: parts.map(({ id, board, typed, count, minutes: each, condition, demand }) => ({
      id,
      board: board === '' ? undefined : board,
      count,
      minutes: each,
      survives: worksOnceOut[condition],
      demand: demand.mean,
      worth: worthOf(typed),
      shelf: shelf.get(id)!,
      sale: saleOf(readPart(typed).kind, worthOf(typed), hourlyRate),
    })),
  });
  return { plan, minutes };
}
