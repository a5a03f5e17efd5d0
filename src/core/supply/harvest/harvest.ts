import { sumOf } from '../../statistics';
import { LinearProgram, solve } from '../linearProgram';
import { type DonorPart, type HarvestProblem } from './problem';

/** Chance that a Poisson count of the given mean is at least `least`. */
export function chanceOfAtLeast(least: number, mean: number): number {
  let term = Math.exp(-mean);
  let below = 0;
  for (let k = 0; k < least; k += 1) {
    below += term;
    term *= mean / (k + 1);
  }
  return Math.max(0, 1 - below);
}

/**
 * What the next piece on the shelf is worth: its price times the chance that it will be wanted, or what it
 * fetches now, whichever is more. The newsvendor’s marginal value.
 *
 * @param have pieces that will be used first
 */
export function worthOfNext({ demand, worth, sale }: DonorPart, have: number): number {
  return Math.max(sale, worth * chanceOfAtLeast(have + 1, demand));
}

/** How many to keep of a part: as long as the next is worth more on the shelf than it fetches now. */
export function keepCount({ demand, worth, sale }: DonorPart, most: number): number {
  let keep = 0;
  while (keep < most && worth * chanceOfAtLeast(keep + 1, demand) > sale) keep += 1;
  return keep;
}

/** What to take from a donor. */
export interface HarvestPlan {
  readonly take: readonly {
    readonly part: string;
    readonly count: number;
    readonly minutes: number;
    readonly value: number;
  }[];
  readonly leave: readonly { readonly part: string; readonly count: number }[];
  readonly boards: readonly string[];
  readonly minutes: number;
  /** Expected, in money. */
  readonly value: number;
  /** How many of each to keep on the shelf in all, and how many of what is there and taken to sell. */
  readonly keep: readonly { readonly part: string; readonly keep: number; readonly sell: number }[];
}

/**
 * The parts of most expected value in the time there is, exact by mixed-integer programming: a board taken out once
 * serves all its parts, and each further piece of a kind is worth less than the one before.
 */
export async function planHarvest(problem: HarvestProblem): Promise<HarvestPlan> {
  const { parts, boards, hour } = problem;
  const program = new LinearProgram();
  const time: [number, string][] = [];
  const names = new Map([...boards.keys()].map((id, b) => [id, `b${b}`]));
  for (const [id, minutes] of boards) time.push([minutes, program.binary(names.get(id)!, (minutes * hour) / 60)]);
  const pieces = parts.flatMap((part, p) =>
    Array.from({ length: part.count }, (_, k) => {
      const name = `x${p}_${k}`;
      const value = part.survives * worthOfNext(part, part.shelf + k * part.survives);
      return { name, part, value, k };
    }),
  );
  for (const { name, part, value, k } of pieces) {
    program.binary(name, (part.minutes * hour) / 60 - value);
    time.push([part.minutes, name]);
    if (k > 0)
      program.row(
        [
          [1, name],
          [-1, name.replace(/_\d+$/, `_${k - 1}`)],
        ],
        '<=',
        0,
      );
    if (part.board !== undefined)
      program.row(
        [
          [1, name],
          [-1, names.get(part.board)!],
        ],
        '<=',
        0,
      );
  }
  program.row(time, '<=', problem.minutes);
  const found = await solve(program);
  // Taking nothing satisfies every row, so there is always an answer.
  const value = (name: string) => found?.value(name) ?? 0;
  const taken = parts.map((part) => {
    const own = pieces.filter((piece) => piece.part === part && value(piece.name) === 1);
    return { part, count: own.length, value: sumOf(own, (piece) => piece.value) };
  });
  const out = [...boards.keys()].filter((id) => value(names.get(id)!) === 1);
  return {
    take: taken
      .filter(({ count }) => count > 0)
      .map(({ part, count, value: worth }) => ({ part: part.id, count, minutes: count * part.minutes, value: worth }))
      .sort((a, b) => b.value / b.minutes - a.value / a.minutes),
    leave: taken
      .filter(({ part, count }) => count < part.count)
      .map(({ part, count }) => ({ part: part.id, count: part.count - count })),
    boards: out,
    minutes: sumOf(taken, ({ part, count }) => part.minutes * count) + sumOf(out, (id) => boards.get(id)!),
    value: sumOf(taken, ({ value: worth }) => worth),
    keep: taken
      .map(({ part, count }) => {
        const have = part.shelf + Math.floor(count * part.survives);
        const keep = keepCount(part, have);
        return { part: part.id, keep, sell: part.sale > 0 ? have - keep : 0 };
      })
      .filter(({ keep, sell }) => keep + sell > 0),
  };
}
