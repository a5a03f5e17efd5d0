import { sumOf } from '../../statistics';

/** An answer to a drill. */
export interface Answered {
  readonly difficulty: number;
  readonly right: boolean;
}

/** What is known of an ability: its mean and spread, in the units of difficulty. */
export interface Ability {
  readonly mean: number;
  readonly sd: number;
}

/** Four options: so often a guess is right. */
const guessed = 0.25;
/** Abilities before an answer: those who begin differ by about so much. */
const spread = 1.2;
const grid = Array.from({ length: 81 }, (_, at) => -4 + at / 10);

/** Chance of a right answer (Rasch 1960, with the floor of a guess among four; Birnbaum 1968). */
export const chanceRight = (ability: number, difficulty: number): number =>
  guessed + (1 - guessed) / (1 + Math.exp(difficulty - ability));

/** What some answers say of an ability: the posterior over a grid, from a normal prior. */
export function abilityOf(answers: readonly Answered[]): Ability {
  const words = grid.map((ability) => {
    let word = -0.5 * (ability / spread) ** 2;
    for (const { difficulty, right } of answers) {
      const chance = chanceRight(ability, difficulty);
      word += Math.log(right ? chance : 1 - chance);
    }
    return word;
  });
  const most = Math.max(...words);
  const weights = words.map((word) => Math.exp(word - most));
  const all = sumOf(weights, (weight) => weight);
  const mean = weights.reduce((sum, weight, at) => sum + weight * grid[at]!, 0) / all;
  const variance = weights.reduce((sum, weight, at) => sum + weight * (grid[at]! - mean) ** 2, 0) / all;
  return { mean, sd: Math.sqrt(variance) };
}

/** What an answer to a drill tells of an ability on average: the information of Fisher. */
export function informationOf(ability: number, difficulty: number): number {
  const chance = chanceRight(ability, difficulty);
  const slope = ((chance - guessed) * (1 - chance)) / (1 - guessed);
  return slope ** 2 / (chance * (1 - chance));
}

/** Of some drills the one that tells most. */
export function mostTelling<D extends { readonly difficulty: number }>(
  drills: readonly D[],
  { mean }: Ability,
): D | undefined {
  return drills.reduce<D | undefined>(
    (best, one) => (!best || informationOf(mean, one.difficulty) > informationOf(mean, best.difficulty) ? one : best),
    undefined,
  );
}
