import { sum, sumOf } from '../../statistics';

/** An answer to a drill. */
export interface Answered {
  readonly difficulty: number;
  /** How often a guess would have been right; one in four where nothing is said. */
  readonly guess?: number;
  /** What it was a drill of, within its skill. */
  readonly kind?: string;
  readonly right: boolean;
}

/** What is known of an ability: its mean and spread, in the units of difficulty. */
export interface Ability {
  readonly mean: number;
  readonly sd: number;
}

/** Four options: so often a guess is right. */
const amongFour = 0.25;
/** Abilities before an answer: those who begin differ by about so much. */
const spread = 1.2;
const grid = Array.from({ length: 81 }, (_, at) => -4 + at / 10);

/** What matters of a drill to whoever reckons with abilities. */
export type Item = Pick<Answered, 'difficulty' | 'guess' | 'kind'>;

/** Chance of a right answer (Rasch 1960, with the floor of a guess; Birnbaum 1968). */
export const chanceRight = (ability: number, { difficulty, guess = amongFour }: Item): number =>
  guess + (1 - guess) / (1 + Math.exp(difficulty - ability));

/** How likely each ability of the grid is after some answers, from a normal prior; sums to 1. */
function weightsOf(answers: readonly Answered[]): number[] {
  const words = grid.map((ability) => {
    let word = -0.5 * (ability / spread) ** 2;
    for (const answer of answers) {
      const chance = chanceRight(ability, answer);
      word += Math.log(answer.right ? chance : 1 - chance);
    }
    return word;
  });
  const most = Math.max(...words);
  const weights = words.map((word) => Math.exp(word - most));
  const all = sum(weights);
  return weights.map((weight) => weight / all);
}

/** What some answers say of an ability. */
export function abilityOf(answers: readonly Answered[]): Ability {
  const weights = weightsOf(answers);
  const mean = sumOf(weights.keys(), (at) => weights[at]! * grid[at]!);
  const variance = sumOf(weights.keys(), (at) => weights[at]! * (grid[at]! - mean) ** 2);
  return { mean, sd: Math.sqrt(variance) };
}

/** What an answer to a drill tells of an ability on average: the information of Fisher. */
export function informationOf(ability: number, item: Item): number {
  const { guess = amongFour } = item;
  const chance = chanceRight(ability, item);
  const slope = ((chance - guess) * (1 - chance)) / (1 - guess);
  return slope ** 2 / (chance * (1 - chance));
}

/** Of some drills the one that tells most, over all that the ability may be after some answers. */
export function mostTelling<D>(
  drills: readonly D[],
  answers: readonly Answered[],
  itemOf: (drill: D) => Item,
): D | undefined {
  const weights = weightsOf(answers);
  const told = drills.map((drill) => {
    const item = itemOf(drill);
    return sumOf(weights.keys(), (at) => weights[at]! * informationOf(grid[at]!, item));
  });
  return drills[told.indexOf(Math.max(...told))];
}

/**
 * Of some drills of a skill the one to ask: what tells most, and not of the kind that was asked last, where there is
 * another.
 */
export function drillToAsk<D>(
  drills: readonly D[],
  answers: readonly Answered[],
  itemOf: (drill: D) => Item,
): D | undefined {
  const last = answers.at(-1)?.kind;
  const others = drills.filter((drill) => itemOf(drill).kind !== last);
  return mostTelling(others.length > 0 ? others : drills, answers, itemOf);
}
