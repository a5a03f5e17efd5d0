import { Refusal } from '@/core/quantity';
import { compileSheet, Predictions } from '@/core/behaviour';
import { seeded } from '@/core/statistics';
import { firstMove, policyCost, readProblem } from '@/core/plan';
import { hunt, type HuntPolicy } from '@/core/practice';
import { readText, sheetFrom, sheetOptions } from './files';
import { readArguments } from './usage';

const seed = 1;

/** `policy PROBLEM`: what following Tovrik's plan costs on average, and its first move. */
export function policy(argv: readonly string[]): object {
  const { words } = readArguments(argv, []);
  const [file] = words;
  if (file === undefined) throw new Refusal('name the file of the decision problem');
  try {
    const problem = readProblem(readText(file));
    const { mean, error, hunts } = policyCost(problem, seeded(seed));
    const move = firstMove(problem);
    const { id } = move.kind === 'test' ? problem.tests[move.index]! : problem.repairs[move.index]!;
    return {
      expectedCost: mean,
      first: id,
      kind: move.kind,
      ...(hunts === undefined ? {} : { standardError: error, hunts, seed }),
    };
  } catch (error) {
    if (error instanceof Refusal) throw new Refusal(`${file}, ${error.message}`);
    throw error;
  }
}

const policies: readonly HuntPolicy[] = ['tovrik', 'checklist', 'random'];

/** `evaluate SHEET --policy WORD`: minutes to the proven cure over every fault of the sheet. */
export function evaluate(argv: readonly string[]): object {
  const { words, options } = readArguments(argv, ['policy', 'noise', 'misreads', ...sheetOptions]);
  const sheet = sheetFrom(words[0], options);
  const word = options.get('policy') ?? 'tovrik';
  const chosen = policies.find((one) => one === word);
  if (!chosen) throw new Refusal(`--policy is ${policies.join(', ')}, not "${word}"`);
  const share = (name: string, usual: number) => {
    const value = Number(options.get(name) ?? usual);
    if (!(value >= 0 && value <= 0.5)) throw new Refusal(`--${name} is a share from 0 to 0.5`);
    return value;
  };
  const noise = share('noise', 0.01);
  const misreads = share('misreads', 0.05);
  const predictions = new Predictions(compileSheet(sheet));
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
    meanMinutes: minutes.reduce((sum, one) => sum + one, 0) / minutes.length,
    worstMinutes: worst.minutes,
    worstFault: worst.fault,
    meanProbes: hunts.reduce((sum, { probes }) => sum + probes, 0) / hunts.length,
    meanRepairs: hunts.reduce((sum, { repairs }) => sum + repairs, 0) / hunts.length,
  };
}
