import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { bestBasket, type BasketProblem, planHarvest, readPart, substitute } from '@/core/supply';
import { quantile, seeded } from '@/core/statistics';
import { openDatabase, searchShelf, stockLike } from '@/store';

const random = seeded(15);
const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
const oneOf = <T>(all: readonly T[]): T => all[whole(0, all.length - 1)]!;
const times = (took: readonly number[]) =>
  `${quantile([...took], 0.5)
    .toFixed(1)
    .padStart(8)} ms median ${quantile([...took], 0.95)
    .toFixed(1)
    .padStart(8)} ms p95`;

async function timed<T>(work: () => Promise<T> | T): Promise<readonly [number, T]> {
  const start = performance.now();
  const done = await work();
  return [performance.now() - start, done];
}

const codes = [
  '1',
  '1.5',
  '2.2',
  '3.3',
  '4.7',
  '6.8',
  '10',
  '15',
  '22',
  '33',
  '47',
  '68',
  '100',
  '150',
  '220',
  '330',
  '470',
  '680',
];

/** A part as some shop may have it. */
const drawnPart = (index: number): string =>
  oneOf([
    () =>
      `C ${oneOf(codes)}u ${oneOf([10, 16, 25, 35, 50, 63, 100, 160, 250, 400])}V ${oneOf([85, 105])} ${whole(5, 25)}x${whole(11, 40)}/${oneOf([2.5, 5, 7.5])}`,
    () => `R ${oneOf(codes)}k ${oneOf([0.25, 0.5, 1, 2, 3])}W ${oneOf([1, 5])}%`,
    () => `Q ${oneOf(['npn', 'pnp'])} ${whole(30, 1500)}V ${whole(1, 15)}A ${whole(1, 100)}W`,
    () => `U no VX${1000 + index} dip${oneOf([8, 14, 16, 18])}`,
  ])();

const folder = mkdtempSync(path.join(tmpdir(), 'tovrik-'));
const database = await openDatabase(path.join(folder, 'shelf.db'));
try {
  const kinds = 20_000;
  const moves = 100_000;
  const parts = Array.from({ length: kinds }, (_, index) => {
    const typed = drawnPart(index);
    const part = readPart(typed);
    const id = `part-${index}`;
    const figures = Object.entries(part.figures).flatMap(([name, value]) =>
      typeof value === 'number' ? [{ part: id, name, value }] : [],
    );
    return { row: { id, typed, kind: part.kind, drawer: `D${whole(1, 400)}`, origin: `lot ${index}` }, figures };
  });
  await database.batchInsert(
    'stock_part',
    parts.map(({ row }) => row),
    150,
  );
  await database.batchInsert(
    'stock_figure',
    parts.flatMap(({ figures }) => figures),
    150,
  );
  await database.batchInsert(
    'stock_move',
    Array.from({ length: moves }, (_, index) => ({
      id: `move-${index}`,
      part: `part-${index < kinds ? index : whole(0, kinds - 1)}`,
      delta: index < kinds ? 20 : oneOf([1, -1]),
      why: 'put',
      at: '2026-01-01',
    })),
    100,
  );
  const searches = [
    '680u 50V',
    '4.7k',
    '1200V',
    'VX1234',
    'D17',
    '100u 25V 105',
    '',
    'npn 300V 5A',
    'no such thing',
    '47u',
  ];
  const looked: number[] = [];
  for (let run = 0; run < 200; run += 1)
    looked.push((await timed(() => searchShelf(database, searches[run % searches.length]!)))[0]);
  console.log(`\nThe shelf, ${kinds} kinds and ${moves} movements`);
  console.log(`  a search               ${times(looked)}`);
  const would: number[] = [];
  const wanted = readPart('C 680u 50V 105 12.5x25/5');
  for (let run = 0; run < 20; run += 1)
    would.push(
      (
        await timed(async () =>
          (await stockLike(database, wanted)).map(({ typed }) => substitute(wanted, readPart(typed)).verdict),
        )
      )[0],
    );
  console.log(`  what would do          ${times(would)}`);
} finally {
  await database.destroy();
  rmSync(folder, { recursive: true });
}

const drawnBasket = (): BasketProblem => {
  const names = Array.from({ length: 60 }, (_, line) => `line ${line}`);
  return {
    lines: names.map((id) => ({ id, needs: whole(1, 12), by: undefined, job: undefined })),
    suppliers: Array.from({ length: 6 }, (_, s) => ({
      id: `supplier ${s}`,
      postage: whole(2, 8),
      freeFrom: random() < 0.5 ? whole(20, 60) : undefined,
      minimum: random() < 0.5 ? whole(5, 15) : undefined,
      days: whole(1, 10),
      offers: names
        .filter(() => random() < 0.75)
        .map((line) => {
          const price = whole(5, 400) / 100;
          const breaks = [1, 5, 10].map((from, step) => ({ from, price: price * [1, 0.85, 0.7][step]! }));
          return { line, breaks, stock: random() < 0.3 ? whole(1, 20) : undefined, days: undefined };
        }),
    })),
  };
};

const solved: number[] = [];
let exact = 0;
for (let run = 0; run < 20; run += 1) {
  const [took, { exact: best }] = await timed(() => bestBasket(drawnBasket()));
  solved.push(took);
  if (best) exact += 1;
}
console.log(`\nBaskets, 60 lines × 6 suppliers with breaks, minimum orders and free postage: ${exact} of 20 exact`);
console.log(`  a basket               ${times(solved)}`);

/** Five years of a shop that strips a donor a month: what is worth the work. */
const demands = { hour: 12, months: 60, minutes: 70 };
const worth = { plan: 0, everything: 0, nothing: 0 };
for (let month = 0; month < demands.months; month += 1) {
  const donorParts = Array.from({ length: 24 }, (_, p) => ({
    id: `part ${p}`,
    board: `board ${p % 5}`,
    count: whole(1, 3),
    minutes: whole(2, 18),
    survives: 0.5 + random() / 2,
    demand: oneOf([0.05, 0.1, 0.3, 0.6, 1.5]),
    worth: whole(1, 30),
    shelf: whole(0, 2),
    sale: 0,
  }));
  const boards = new Map(Array.from({ length: 5 }, (_, b) => [`board ${b}`, whole(3, 12)] as const));
  const problem = { minutes: demands.minutes, hour: demands.hour, boards, parts: donorParts };
  const { take, minutes } = await planHarvest(problem);
  const taken = new Map(take.map(({ part, count }) => [part, count]));
  // What really is wanted of each, and survives, is drawn once for both ways.
  for (const part of donorParts) {
    let wantedOf = -part.shelf;
    for (let p = Math.exp(-part.demand), u = random(), k = 0, sum = p; u > sum; sum += p) {
      k += 1;
      p *= part.demand / k;
      wantedOf += 1;
    }
    const alive = Array.from({ length: part.count }, () => random() < part.survives);
    const used = (count: number) => Math.max(0, Math.min(wantedOf, alive.slice(0, count).filter(Boolean).length));
    worth.plan += part.worth * used(taken.get(part.id) ?? 0);
    worth.everything += part.worth * used(part.count) - (part.minutes * part.count * demands.hour) / 60;
  }
  worth.plan -= (minutes * demands.hour) / 60;
  worth.everything -= ([...boards.values()].reduce((sum, own) => sum + own, 0) * demands.hour) / 60;
}
console.log('\nFive years, a donor a month: what its parts saved, less the work at £12 an hour');
console.log(
  `  by the plan, 70 min at most  £${worth.plan.toFixed(0)}    everything stripped  £${worth.everything.toFixed(0)}    nothing  £${worth.nothing}`,
);
