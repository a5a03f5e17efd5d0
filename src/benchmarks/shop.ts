// A shop over time: the order of its days, ten years of its data, and what is left of it when it is killed.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { dayRules, drawSets, mostWeekly, runMonths } from '@/core/days';
import { quantile, seeded, sumOf } from '@/core/statistics';
import { copiesFolder, examine, exportShop, importShop, makeCopy, openDatabase, searchNotes } from '@/store';
import { fillTenYears, openSets } from './tenYears';

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
  console.log(
    `\nThe order of the day, ${months} simulated shops of ${span} days, worth a week, days to leaving, late of those with a day`,
  );
  for (const [benches, aDay] of [
    [1, 1.5],
    [1, 2.1],
    [1, 3],
    [2, 3.6],
  ] as const) {
    const drawn = Array.from({ length: months }, (_, month) => drawSets(span, aDay, seeded(month)));
    const most = sumOf(drawn, (sets) => mostWeekly(sets, span, benches)) / months;
    for (const rule of dayRules) {
      const runs = drawn.map((sets) => runMonths(sets, span, benches, rule));
      const weekly = sumOf(runs, (run) => run.weekly) / months;
      const stay = sumOf(runs, (run) => run.days) / months;
      const late = (100 * sumOf(runs, (run) => run.late)) / months;
      console.log(
        `  ${benches} bench${benches > 1 ? 'es' : ''}, ${aDay} a day  ${rule.padEnd(20)} ${weekly.toFixed(0).padStart(6)} ${stay.toFixed(1).padStart(6)} days ${late.toFixed(0).padStart(4)} %`,
      );
    }
    console.log(`  ${' '.repeat(18)} at most, by any rule  ${most.toFixed(0).padStart(6)}`);
  }
}

const random = seeded(10);
const oneOf = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;

async function years(folder: string): Promise<void> {
  const file = path.join(folder, 'years.db');
  const db = await openDatabase(file);
  const [filling] = await timed(() => fillTenYears(db, openSets));
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

/** Writes until it is killed, over and over; what was said to be kept has to be there, and nothing by halves. */
async function kills(folder: string): Promise<void> {
  const times = count('--times', 200);
  const sums = { kept: 0, lost: 0, wrong: 0 };
  for (let round = 0; round < times; round += 1) {
    // Looking it over takes longer as it grows: another is begun now and then.
    const file = path.join(folder, `kills-${Math.floor(round / 50)}.db`);
    await (await openDatabase(file)).destroy();
    const said = await untilKilled(file, 1000 * random());
    const now = await openDatabase(file);
    for (const [table, column, is] of said) {
      const there: unknown = await now(table!).where(column!, is!).first();
      sums[there ? 'kept' : 'lost'] += 1;
    }
    const noted = await now('job')
      .leftJoin('fault_note', 'fault_note.job', 'job.id')
      .whereRaw('(job.closed_at is null) <> (fault_note.job is null)');
    const findings = await examine(now, file, new Date());
    sums.wrong += noted.length + findings.filter(({ well, what }) => !well && what !== 'newest copy').length;
    await now.destroy();
  }
  console.log(
    `\nKilled ${times} times while it wrote: ${sums.kept} acknowledged and there, ${sums.lost} lost; ${sums.wrong} things wrong, looked over each time`,
  );
}

function untilKilled(file: string, after: number): Promise<string[][]> {
  return new Promise((resolve) => {
    const tsx = path.resolve('node_modules/tsx/dist/cli.mjs');
    const child = spawn(process.execPath, [tsx, 'src/benchmarks/writeUntilKilled.ts', file], {
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
