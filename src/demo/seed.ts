import { type LogEntry, readApart, replay } from '@/core/log';
import { draftNote } from '@/core/job';
import { compileSheet, Predictions } from '@/core/behaviour';
import { type Case } from '@/core/diagnosis';
import { seeded } from '@/core/statistics';
import { complaintOf } from '@/core/practice';
import { readSheet } from '@/core/sheet';
import { shippedSheets, shippedTexts } from '@/sheets';
import { readCounted, readDonorLine } from '@/core/supply';
import {
  addDonorPart,
  addJob,
  addNeed,
  appendLog,
  closeJob,
  keepItems,
  moveNeed,
  openDatabase,
  putOnShelf,
  saveDonor,
  saveSupplier,
  suppliers,
} from '@/store';
import { playJob } from './play';
import { readScenario } from './scenario';

const day = 86_400_000;

/** A set that comes in within so many days of leaving came back; later it is another job. */
const soonAgain = 100;

/** A reproducible id in the form the browser makes. */
function demoId(kind: number, index: number): string {
  return `00000000-0000-4000-8000-${String(kind * 1000 + index).padStart(12, '0')}`;
}

function withOptions(sheet: string, choices: Readonly<Record<string, string>>): Predictions {
  const texts = shippedTexts();
  return new Predictions(compileSheet(readSheet(texts.get(sheet)!, { textOf: (id) => texts.get(id), choices })));
}

/**
 * Fills an empty database with the Saltmere Cliff Railway: sets at every step of the work and two
 * years of closed jobs, all through the same repositories as the application.
 *
 * @param file the demo's own database
 * @param now instant that the scenario's "days ago" count from, in milliseconds
 */
export async function seedDemo(file: string, now: number): Promise<void> {
  const scenario = readScenario();
  const database = await openDatabase(file);
  try {
    const known = new Map(
      [...shippedSheets().values()].map((sheet) => [sheet.id, new Predictions(compileSheet(sheet))]),
    );
    // A set that is here again stands beside the job it was here for: that one comes first.
    const oldestFirst = [...scenario.closed.entries()].sort(([, a], [, b]) => b.daysAgo - a.daysAgo);
    const formerOf = ({ title, daysAgo }: { readonly title: string; readonly daysAgo: number }) => {
      const [index] = oldestFirst.findLast(([, one]) => one.title === title && one.daysAgo > daysAgo) ?? [];
      const apart = index === undefined ? Infinity : scenario.closed[index]!.daysAgo - daysAgo;
      return index === undefined || apart > soonAgain ? null : demoId(1, index);
    };
    for (const [index, set] of oldestFirst) {
      const predictions = known.get(set.sheet)!;
      const fault = predictions.model.sheet.faults.get(set.fault)!;
      const id = demoId(1, index);
      const start = now - set.daysAgo * day;
      const complaint = complaintOf(predictions, fault);
      const log = playJob(predictions, fault, 'verified', start, seeded(1000 + index));
      await addJob(database, {
        id,
        title: set.title,
        place: set.place,
        sheet: set.sheet,
        label: {},
        options: {},
        complaint,
        words: set.words,
        owner: 'the railway',
        value: 100,
        limit: 40,
        due: '',
        pinned: false,
        waiting: null,
        createdAt: new Date(start - day).toISOString(),
        closedAt: null,
        former: formerOf(set),
      });
      await appendLog(
        database,
        id,
        [
          ...log.map((entry) => ({ ...entry, id: `${entry.id}-${index}` })),
          ...takenApart(scenario, set, index, start, true),
        ],
        0,
      );
      const job: Case = {
        predictions,
        complaint,
        bench: replay(log, [...predictions.model.sheet.stores.keys()]),
        closed: new Map(),
        hourlyRate: 18,
      };
      const note = draftNote(
        job,
        log.map(({ at }) => at),
      );
      // The restorer knew what it was in the end, whatever led by the readings.
      await closeJob(database, {
        ...note,
        job: id,
        sheet: set.sheet,
        chassis: predictions.model.sheet.title,
        cause: fault.title,
        fault: fault.id,
        remember: '',
        accepted: '',
        outcome: set.outcome,
        closedAt: new Date(start + day / 2).toISOString(),
      });
    }
    const dateIn = (days: number | undefined) =>
      days === undefined ? '' : new Date(now + days * day).toISOString().slice(0, 10);
    for (const [index, set] of scenario.sets.entries()) {
      const predictions = set.options ? withOptions(set.sheet, set.options) : known.get(set.sheet)!;
      const fault = predictions.model.sheet.faults.get(set.fault)!;
      const id = demoId(2, index);
      const start = now - set.daysAgo * day;
      await addJob(database, {
        id,
        title: set.title,
        place: set.place,
        sheet: set.sheet,
        label: set.label ?? {},
        options: set.options ?? {},
        complaint: complaintOf(predictions, fault),
        words: set.words,
        owner: set.owner,
        value: set.value,
        limit: set.limit,
        due: dateIn(set.dueIn),
        pinned: set.pinned ?? false,
        waiting: set.waiting && {
          for: set.waiting.for,
          note: set.waiting.note,
          until: dateIn(set.waiting.untilIn),
        },
        createdAt: new Date(start).toISOString(),
        closedAt: null,
        former: formerOf(set),
      });
      const log = playJob(predictions, fault, set.stage, start + day / 8, seeded(2000 + index));
      if (log.length > 0)
        await appendLog(
          database,
          id,
          [
            ...log.map((entry) => ({ ...entry, id: `${entry.id}-${index}` })),
            ...(set.stage === 'measuring' ? takenApart(scenario, set, 1000 + index, start + day / 9, false) : []),
          ],
          0,
        );
    }
    await seedParts(database, scenario, now);
    await seedSellers(database, scenario, now);
  } finally {
    await database.destroy();
  }
}

/** How a set was taken apart, where the scenario says so, and that it is together again. */
function takenApart(
  { apart }: ReturnType<typeof readScenario>,
  { sheet }: { readonly sheet: string },
  index: number,
  at: number,
  together: boolean,
): LogEntry[] {
  const lines = (apart[sheet] ?? []).map((typed, step): LogEntry => ({
    id: `apart-${index}-${step}`,
    at: new Date(at + step * 60_000).toISOString(),
    body: readApart(typed),
  }));
  const back = [...lines].reverse().map(({ id }, step): LogEntry => ({
    id: `back-${index}-${step}`,
    at: new Date(at + day / 3 + step * 45_000).toISOString(),
    body: { kind: 'back', step: id },
  }));
  return together ? [...lines, ...back] : lines;
}

type Database = Awaited<ReturnType<typeof openDatabase>>;

/** What lies in the drawers, and what the sets need of it or have on order. */
async function seedParts(
  database: Database,
  { shelf, needs, sets }: ReturnType<typeof readScenario>,
  now: number,
): Promise<void> {
  for (const [index, { typed, from }] of shelf.entries())
    await putOnShelf(database, readCounted(typed), from, {
      id: demoId(3, index),
      at: new Date(now - 90 * day).toISOString(),
      why: 'put',
    });
  for (const [index, { set, typed, state, supplier = '', due, price = null }] of needs.entries()) {
    const id = demoId(4, index);
    const at = new Date(now - 6 * day).toISOString();
    await addNeed(
      database,
      demoId(
        2,
        sets.findIndex(({ title }) => title === set),
      ),
      readCounted(typed),
      id,
      at,
    );
    // What came wrong or was fitted had been ordered before, and was here.
    const path = {
      wanted: [],
      ordered: ['ordered'],
      here: ['here'],
      wrong: ['ordered', 'wrong'],
      returned: ['ordered', 'wrong', 'returned'],
      fitted: ['ordered', 'here', 'fitted'],
      dropped: ['dropped'],
    } as const;
    const until = due === undefined ? '' : new Date(now + due * day).toISOString().slice(0, 10);
    for (const [at_, step] of path[state].entries())
      await moveNeed(database, {
        id: demoId(5, index * 10 + at_),
        need: id,
        state: step,
        supplier,
        due: until,
        price,
        at,
      });
  }
}

/** Where the stand-in for the suppliers is looked for until it is told that it stands elsewhere. */
const playedAt = 'http://127.0.0.1:4895';

/** Points the suppliers of the scenario to where they are played. */
export async function linkSuppliers(file: string, address: string): Promise<void> {
  const database = await openDatabase(file);
  try {
    for (const seller of await suppliers(database)) {
      const played = readScenario().suppliers.find(({ title }) => title === seller.title);
      if (played) await saveSupplier(database, { ...seller, link: `${address}/${played.id}` });
    }
  } finally {
    await database.destroy();
  }
}

/** Who sells parts, with what was last seen of it, and the sets that parts are taken from. */
async function seedSellers(
  database: Database,
  { suppliers: sellers, donors }: ReturnType<typeof readScenario>,
  now: number,
): Promise<void> {
  for (const [index, { id: played, title, postage, freeFrom, minimum, days, items }] of sellers.entries()) {
    const id = demoId(6, index);
    const terms = { postage, freeFrom: freeFrom ?? null, minimum: minimum ?? null, days };
    await saveSupplier(database, { id, title, link: `${playedAt}/${played}`, ...terms });
    await keepItems(
      database,
      id,
      items.map(({ item, typed, breaks, stock, days: later }) => ({ item, typed, breaks, stock, days: later })),
      new Date(now - 2 * day).toISOString(),
    );
  }
  for (const [index, { parts, ...donor }] of donors.entries()) {
    const id = demoId(7, index);
    const at = new Date(now - (20 - index) * day).toISOString();
    await saveDonor(database, { id, at, ...donor });
    for (const [line, typed] of parts.entries()) {
      const { board, condition, minutes, ...counted } = readDonorLine(typed);
      await addDonorPart(
        database,
        id,
        counted,
        { board, condition, minutes },
        { id: demoId(8, index * 50 + line), at },
      );
    }
  }
}
