import { mean, seeded, sumOf } from '@/core/statistics';
import { placed, Refusal } from '@/core/quantity';
import { compileSheet, Predictions } from '@/core/behaviour';
import { firstMove, type PlanProblem, policyCost, readProblem } from '@/core/plan';
import { indistinguishable } from '@/core/diagnosis';
import { calibrationOf, evaluateIn, hunt, type HuntPolicy, worldNames, worlds } from '@/core/practice';
import { chanceCured, chanceOfClean, cleanFor } from '@/core/soak';
import { openSheet, type Sheet } from '@/core/sheet';
import { command, type Given } from './command';
import { readText, sheetFrom, sheetOptions } from './files';

const seed = 1;

export const policy = command({
  name: 'policy',
  takes: 'PROBLEM.json',
  about: 'What following Tovrik’s plan costs on average, and its first move.',
  answer({ words: [file] }) {
    if (file === undefined) throw new Refusal('name the file of the decision problem');
    const text = readText(file);
    return placed(file, () => costOf(readProblem(text)));
  },
});

function costOf(problem: PlanProblem): object {
  const { mean, error, hunts } = policyCost(problem, seeded(seed));
  const move = firstMove(problem);
  const { id } = move.kind === 'test' ? problem.tests[move.index]! : problem.repairs[move.index]!;
  return {
    expectedCost: mean,
    first: id,
    kind: move.kind,
    ...(hunts === undefined ? {} : { standardError: error, hunts, seed }),
  };
}

/** How the advice does where sets are not as their sheet says. */
function inWorld(given: Given, sheet: Sheet, word: string): object {
  const name = worldNames.find((one) => one === word);
  if (!name) throw new Refusal(`--world is ${worldNames.join(', ')}, not "${word}"`);
  const idle = ['policy', 'noise', 'misreads'].find((option) => given.has(option));
  if (idle !== undefined) throw new Refusal(`--${idle} goes with the sheet as it is: leave it out, or --world`);
  const count = (option: string) => {
    const value = Number(given.option(option) ?? 1);
    if (!Number.isInteger(value) || value < 1 || value > 1000)
      throw new Refusal(`--${option} is a whole number from 1 to 1000, not "${given.option(option)}"`);
    return value;
  };
  const drawn = { seed: count('seed'), runs: count('runs'), every: count('every') };
  const groups = indistinguishable(new Predictions(compileSheet(openSheet(sheet))));
  const { claims, ...result } = evaluateIn(sheet, worlds[name], groups, drawn);
  return { sheet: sheet.id, world: name, ...drawn, ...result, calibration: calibrationOf(claims) };
}

const policies: readonly HuntPolicy[] = ['tovrik', 'checklist', 'random'];

export const evaluate = command({
  name: 'evaluate',
  takes: 'FILE',
  about: 'Minutes to the proven cure over every fault of the sheet.',
  options: {
    policy: { takes: policies.join('|'), about: 'who names the next probe; tovrik unless told otherwise' },
    noise: { takes: 'SHARE', about: 'scatter of every number read; 0.01 unless told otherwise' },
    world: {
      takes: worldNames.join('|'),
      about: 'how the sets really are against their sheet; then all else but the seed and the runs is of that world',
    },
    seed: { takes: 'N', about: 'of a world: which draw of sets; 1 unless told otherwise' },
    runs: { takes: 'N', about: 'of a world: how often each fault is drawn; 1 unless told otherwise' },
    every: { takes: 'N', about: 'of a world: every so-manieth fault only; 1 unless told otherwise' },
    misreads: { takes: 'SHARE', about: 'answers that are wrong; 0.05 unless told otherwise' },
    ...sheetOptions,
  },
  answer: evaluated,
});

function evaluated(given: Given): object {
  const sheet = sheetFrom(given);
  const world = given.option('world');
  if (world !== undefined) return inWorld(given, sheet, world);
  const word = given.option('policy') ?? 'tovrik';
  const chosen = policies.find((one) => one === word);
  if (!chosen) throw new Refusal(`--policy is ${policies.join(', ')}, not "${word}"`);
  const share = (name: string, usual: number) => {
    const value = Number(given.option(name) ?? usual);
    if (!(value >= 0 && value <= 0.5)) throw new Refusal(`--${name} is a share from 0 to 0.5`);
    return value;
  };
  const noise = share('noise', 0.01);
  const misreads = share('misreads', 0.05);
  const predictions = new Predictions(compileSheet(openSheet(sheet)));
  const hunts = [...sheet.faults.values()].map((fault, index) =>
    hunt(predictions, fault, { policy: chosen, noise, misreads, random: seeded(500 + index) }),
  );
  const minutes = hunts.map((one) => one.minutes);
  const worst = hunts.reduce((most, one) => (one.minutes > most.minutes ? one : most));
  return {
    sheet: sheet.id,
    policy: chosen,
    faults: hunts.length,
    cured: hunts.filter(({ cured }) => cured).length,
    meanMinutes: mean(minutes),
    worstMinutes: worst.minutes,
    worstFault: worst.fault,
    meanProbes: mean(hunts.map(({ probes }) => probes)),
    meanRepairs: mean(hunts.map(({ repairs }) => repairs)),
    meanHarm: mean(hunts.map(({ harm }) => harm)),
    forbidden: sumOf(hunts, ({ forbidden }) => forbidden),
  };
}

/** The confidences that hours are told for. */
const confidences = [0.9, 0.95, 0.99];

export const soak = command({
  name: 'soak',
  takes: '--failures N --hours H',
  about: 'Chance that a set is cured after it ran clean, and the hours that a confidence takes.',
  options: {
    failures: { takes: 'N', about: 'how often it failed before' },
    hours: { takes: 'H', about: 'in so many hours of running' },
    cure: { takes: 'SHARE', about: 'chance that what was done cures it; 0.8 unless told otherwise' },
    clean: { takes: 'H', about: 'hours it has run clean since; 0 unless told otherwise' },
  },
  answer(given) {
    const number = (name: string, usual?: number) => {
      const value = Number(given.option(name) ?? usual);
      if (!Number.isFinite(value))
        throw new Refusal(`--${name} is a number, as --${name} ${name === 'cure' ? 0.8 : 3}`);
      return value;
    };
    const record = { failures: number('failures'), hours: number('hours') };
    const [cure, clean] = [number('cure', 0.8), number('clean', 0)];
    return {
      ...record,
      cure,
      clean,
      cured: chanceCured(record, cure, clean),
      cleanIfNotCured: chanceOfClean(record, clean),
      hoursFor: Object.fromEntries(confidences.map((confidence) => [confidence, cleanFor(record, cure, confidence)])),
    };
  },
});
