// A shop over time: the order of its days, ten years of its data, and what is left of it when it is killed.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type Knex } from 'knex';
import { dayRules, drawSets, runMonths } from '@/core/days';
import { quantile, seeded, sumOf } from '@/core/statistics';
import {
  addJob,
  addOldNotes,
  closeJob,
  copiesFolder,
  examine,
  exportShop,
  importShop,
  makeCopy,
  openDatabase,
  searchNotes,
} from '@/store';

const named = process.argv.slice(2);
const wanted = (part: string) =>
  named.every((word) => !['days', 'years', 'kills'].includes(word)) || named.includes(part);
const count = (option: string, usual: number) => {
  const at = named.indexOf(option);
  return at < 0 ? usual : Number(named[at + 1]);
};

async function timed<T>(work: () => Promise<T>): Promise<readonly [ms: number, done: T]> {
  const start = performance.now();
  const done = await work();
  return [performance.now() - start, done];
}
const seconds = (ms: number) => `${(ms / 1000).toFixed(1).padStart(7)} s`;

/** Months of shops with less and more to do than they can, by each rule. */
function days(): void {
  const months = 300;
  const span = 90;
  console.log(`\nThe order of the day, ${months} simulated shops of ${span} days, worth a week and days to leaving`);
  for (const [benches, aDay] of [
    [1, 1.5],
    [1, 2.1],
    [2, 3.6],
  ] as const) {
    const drawn = Array.from({ length: months }, (_, month) => drawSets(span, aDay, seeded(month)));
    for (const rule of dayRules) {
      const runs = drawn.map((sets) => runMonths(sets, span, benches, rule));
      const weekly = sumOf(runs, (run) => run.weekly) / months;
      const stay = sumOf(runs, (run) => run.days) / months;
      console.log(
        `  ${benches} bench${benches > 1 ? 'es' : ''}, ${aDay} a day  ${rule.padEnd(20)} ${weekly.toFixed(0).padStart(6)} ${stay.toFixed(1).padStart(6)} days`,
      );
    }
  }
}

const random = seeded(10);
const oneOf = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
const causes = [
  'C547 dried out',
  'Q511 shorted',
  'R421 open',
  'joint at IC501',
  'posistor cracked',
  'lamp worn',
  '4k7 drifted',
];
const signs = ['upper half dark', 'starts, then off', 'line across', 'green flooded', 'no picture', 'hum bars'];

const job = (index: number, at: string) => ({
  id: `job-${index}`,
  title: `Set ${index % 700}`,
  place: '',
  sheet: oneOf(['halvane-hp-42', 'pellisar-tc-14', 'corrowby-sm-9']),
  label: {},
  options: {},
  complaint: { symptoms: [], signs: {} },
  words: oneOf(signs),
  owner: '',
  value: 80,
  limit: 30,
  waiting: null,
  createdAt: at,
  closedAt: null,
  due: '',
  pinned: false,
  former: null,
});

/** Ten years: 5,000 sets of which 60 are open, their lines and pictures, a shelf, and notes from paper. */
async function fill(db: Knex): Promise<void> {
  const ids = { jobs: 5000, lines: 67, photos: 6, parts: 20_000, notes: 2000 };
  await db.transaction(async (work) => {
    for (let index = 0; index < ids.jobs; index += 1) {
      const at = new Date(Date.UTC(2016, 0, 1) + index * 17.5 * 3_600_000).toISOString();
      const set = job(index, at);
      await addJob(work, set);
      await work.batchInsert(
        'log_entry',
        Array.from({ length: ids.lines }, (_, line) => ({
          id: `line-${index}-${line}`,
          job: set.id,
          at,
          body: JSON.stringify({ kind: 'note', text: `${oneOf(causes)}, reading ${line} of ${oneOf(signs)}` }),
        })),
        100,
      );
      await work.batchInsert(
        'photo',
        Array.from({ length: ids.photos }, (_, photo) => ({
          id: `photo-${index}-${photo}`,
          job: set.id,
          at,
          type: 'image/jpeg',
          bytes: Buffer.alloc(600, index),
        })),
        50,
      );
      if (index >= ids.jobs - 60) continue;
      const cause = oneOf(causes);
      await closeJob(work, {
        job: set.id,
        sheet: set.sheet,
        title: `${set.sheet}: ${set.words}`,
        chassis: set.sheet,
        symptom: set.words,
        cause,
        proof: `${10 + (index % 90)}.${index % 10} V before`,
        cure: `replaced ${cause.split(' ')[0]}`,
        misled: '',
        parts: `${1 + (index % 999)}u 50V`,
        remember: '',
        accepted: '',
        fault: null,
        money: 1,
        minutes: 40,
        outcome: 'returned',
        closedAt: at,
      });
    }
    await work.batchInsert(
      'stock_part',
      Array.from({ length: ids.parts }, (_, index) => ({
        id: `stock-${index}`,
        typed: `C ${1 + (index % 999)}µF ${oneOf([16, 25, 50, 100])}V`,
        kind: 'C',
        drawer: `D${index}`,
        origin: 'new',
      })),
      100,
    );
    await work.batchInsert(
      'stock_move',
      Array.from({ length: ids.parts }, (_, index) => ({
        id: `move-${index}`,
        part: `stock-${index}`,
        delta: 5,
        why: 'put',
        at: '2020-01-01T00:00:00Z',
      })),
      100,
    );
  });
  await addOldNotes(
    db,
    Array.from({ length: ids.notes }, (_, index) => ({
      note: {
        date: `20${String(index % 16).padStart(2, '0')}-05-01`,
        set: `Old set ${index}`,
        sheet: '',
        symptom: oneOf(signs),
        cause: oneOf(causes),
        cure: '',
        parts: '',
        remember: '',
        minutes: 0,
        money: 0,
      },
      sheet: { id: 'halvane-hp-42', title: 'Halvane HP-42' },
      fault: null,
    })),
  );
}

async function years(folder: string): Promise<void> {
  const file = path.join(folder, 'years.db');
  const db = await openDatabase(file);
  const [filling] = await timed(() => fill(db));
  const size = () => `${Math.round(statSync(file).size / 1048576)} MB`;
  console.log(`\nTen years: 5,000 sets, 335,000 lines, 30,000 pictures, 20,000 kinds, 2,000 old notes (${size()})`);
  console.log(`  filled in              ${seconds(filling)}`);
  const took: number[] = [];
  for (let index = 0; index < 200; index += 1) {
    const typed = oneOf(['upper', 'C547 dark', '680u', '4k7', 'joint line', 'posistor', 'set', 'hp 42 q511']);
    took.push((await timed(() => searchNotes(db, typed, 100)))[0]);
  }
  const [near] = await timed(() => searchNotes(db, 'posister crackd'));
  console.log(
    `  a search               ${quantile(took, 0.5).toFixed(1)} ms median, ${quantile(took, 0.95).toFixed(1)} ms p95; a misspelt one ${near.toFixed(0)} ms`,
  );
  console.log(
    `  a copy, read again     ${seconds((await timed(() => makeCopy(db, copiesFolder(file), new Date())))[0])}`,
  );
  const [looking, findings] = await timed(() => examine(db, file, new Date()));
  console.log(
    `  looked over            ${seconds(looking)}  ${findings.every(({ well }) => well) ? 'all well' : 'NOT well'}`,
  );
  await db.destroy();
  const zip = path.join(folder, 'years.zip');
  const [out] = await timed(() => exportShop(file, zip, { all: true }, new Date()));
  console.log(`  out into one file      ${seconds(out)}  ${Math.round(statSync(zip).size / 1048576)} MB`);
  const [back, merged] = await timed(() => importShop(path.join(folder, 'back.db'), zip, { prefer: 'here' }));
  console.log(`  into an empty shop     ${seconds(back)}  ${sumOf(Object.values(merged.fresh), (rows) => rows)} rows`);
  const [again, same] = await timed(() => importShop(path.join(folder, 'back.db'), zip, { prefer: 'here' }));
  console.log(`  the same once more     ${seconds(again)}  ${same.same} the same, ${same.clashed} otherwise`);
  console.log(`  memory at most         ${Math.round(process.resourceUsage().maxRSS / 1024)} MB`);
}

/** Writes until it is killed, over and over; what was said to be kept has to be there. */
async function kills(folder: string): Promise<void> {
  const times = count('--times', 200);
  const file = path.join(folder, 'kills.db');
  const db = await openDatabase(file);
  await addJob(db, job(0, new Date().toISOString()));
  await db.destroy();
  let kept = 0;
  let lost = 0;
  for (let round = 0; round < times; round += 1) {
    const said = await untilKilled(file, 350 + 500 * random());
    const now = await openDatabase(file);
    for (const [table, id] of said) {
      const there: unknown = await now(table!).where({ id }).first('id');
      if (there) kept += 1;
      else lost += 1;
    }
    if (round === times - 1) {
      const wrong = (await examine(now, file, new Date())).filter(({ well, what }) => !well && what !== 'newest copy');
      console.log(
        `\nKilled ${times} times while it wrote: ${kept} acknowledged and there, ${lost} lost; ${wrong.length} things wrong`,
      );
    }
    await now.destroy();
  }
}

function untilKilled(file: string, after: number): Promise<string[][]> {
  return new Promise((resolve) => {
    const tsx = path.resolve('node_modules/tsx/dist/cli.mjs');
    const child = spawn(process.execPath, [tsx, 'src/benchmarks/writeUntilKilled.ts', file, 'job-0'], {
      stdio: ['ignore', 'pipe', 'inherit'],
      detached: true,
    });
    let text = '';
    child.stdout.on('data', (chunk: Buffer) => {
      // The clock runs from the first line: starting takes as long as it takes.
      if (text === '') setTimeout(() => process.kill(-child.pid!, 'SIGKILL'), after);
      text += chunk.toString();
    });
    child.once('close', () =>
      resolve(
        text
          .split('\n')
          .slice(0, -1)
          .map((line) => line.split(' ')),
      ),
    );
  });
}

const folder = mkdtempSync(path.join(tmpdir(), 'tovrik-'));
try {
  if (wanted('days')) days();
  if (wanted('years')) await years(folder);
  if (wanted('kills')) await kills(folder);
} finally {
  rmSync(folder, { recursive: true });
}
