import { compileSheet, Predictions } from '@/core/behaviour';
import { indistinguishable } from '@/core/diagnosis';
import { calibrationOf, evaluateIn, worldNames, worlds, type WorldResult } from '@/core/practice';
import { openSheet, type Sheet } from '@/core/sheet';
import { shippedSheets } from '@/sheets';

/** Every so-manieth fault is hunted; `--every N` says otherwise. */
const words = process.argv.slice(2);
const numberAfter = (word: string, usual: number) =>
  words.includes(word) ? Number(words[words.indexOf(word) + 1]) : usual;
const every = numberAfter('--every', 20);
const seed = numberAfter('--seed', 1);
const verbose = words.includes('--missed');

const percent = (share: number) => `${(share * 100).toFixed(1)}`.padStart(6);
const headings = [
  'jobs',
  'named',
  'block',
  'of two',
  'wrong',
  'cured',
  'minutes',
  'worst',
  'probes',
  'needless',
  'visits',
  'silent',
];

const rowOf = (title: string, one: WorldResult) =>
  [
    `    ${title.padEnd(13)}`,
    String(one.jobs).padStart(7),
    ...[one.named, one.blockFirst, one.blockWithinTwo, one.wrongAndSure, one.cured].map((share) =>
      percent(share).padStart(9),
    ),
    one.meanMinutes.toFixed(1).padStart(9),
    one.worstMinutes.toFixed(0).padStart(9),
    one.meanProbes.toFixed(1).padStart(9),
    one.needless.toFixed(2).padStart(9),
    one.visits.toFixed(2).padStart(9),
    percent(one.silent).padStart(9),
  ].join('');

const results = new Map<string, WorldResult[]>();
const chosenWorlds = worldNames.filter(
  (name) => !worldNames.some((one) => words.includes(one)) || words.includes(name),
);

function benchSheet(sheet: Sheet): void {
  const groups = indistinguishable(new Predictions(compileSheet(openSheet(sheet))));
  console.log(
    `\n${sheet.title}\n    ${''.padEnd(13)}${headings
      .map((word) => word.padStart(9))
      .join('')
      .slice(2)}`,
  );
  for (const name of chosenWorlds) {
    const started = performance.now();
    const result = evaluateIn(sheet, worlds[name], groups, { seed, every, runs: 1 });
    results.set(name, [...(results.get(name) ?? []), result]);
    console.log(`${rowOf(name, result)}   ${((performance.now() - started) / 1000).toFixed(0)} s`);
    if (verbose) for (const line of result.missed) console.log(`        ${line}`);
  }
}

/** Several results as one, weighted by jobs. */
function together(parts: readonly WorldResult[]): WorldResult {
  const jobs = parts.reduce((sum, one) => sum + one.jobs, 0);
  const weighted = (pick: (one: WorldResult) => number) =>
    parts.reduce((sum, one) => sum + one.jobs * pick(one), 0) / jobs;
  return {
    jobs,
    named: weighted((one) => one.named),
    blockFirst: weighted((one) => one.blockFirst),
    blockWithinTwo: weighted((one) => one.blockWithinTwo),
    wrongAndSure: weighted((one) => one.wrongAndSure),
    cured: weighted((one) => one.cured),
    meanMinutes: weighted((one) => one.meanMinutes),
    worstMinutes: Math.max(...parts.map((one) => one.worstMinutes)),
    meanProbes: weighted((one) => one.meanProbes),
    needless: weighted((one) => one.needless),
    visits: weighted((one) => one.visits),
    silent: weighted((one) => one.silent),
    claims: parts.flatMap(({ claims }) => claims),
    missed: parts.flatMap(({ missed }) => missed),
  };
}

console.log(`\nCulprits drawn from every ${every}th fault, seed ${seed}; shares in per cent`);
const sheets = [...shippedSheets().values()];
for (const sheet of sheets)
  if (!sheets.some(({ id }) => words.includes(id)) || words.includes(sheet.id)) benchSheet(sheet);
console.log(
  `\nAll sheets\n    ${''.padEnd(13)}${headings
    .map((word) => word.padStart(9))
    .join('')
    .slice(2)}`,
);
for (const [name, parts] of results) console.log(rowOf(name, together(parts)));
const { bands, error } = calibrationOf([...results.values()].flat().flatMap(({ claims }) => claims));
console.log('\nStated against observed, all worlds');
for (const { from, claims, stated, observed } of bands)
  if (claims > 0)
    console.log(
      `    ${from.toFixed(1)} to ${(from + 0.1).toFixed(1)}   ${String(claims).padStart(5)} claims   stated ${percent(stated)}   right ${percent(observed)}`,
    );
console.log(`    expected calibration error ${error.toFixed(3)}`);
const sure = bands.filter(({ from }) => from >= 0.9)[0];
if (sure && sure.claims > 0) console.log(`    of claims of 0.9 or more ${percent(sure.observed)} % right`);
