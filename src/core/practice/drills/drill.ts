import { type Symptom, type Picture } from '../../picture';
import { type Random } from '../../statistics';

/** What is learnt, each by drills of its own. */
export const skills = ['parts', 'instruments', 'circuits', 'pictures', 'safety'] as const;
export type Skill = (typeof skills)[number];

/** A question of seconds with four answers, made from the models. */
export interface Drill {
  readonly skill: Skill;
  readonly ask: string;
  /** Colour bands or a picture that the question is about. */
  readonly bands?: readonly string[];
  readonly picture?: { readonly family: Picture['family']; readonly symptoms: readonly Symptom[] };
  readonly options: readonly string[];
  /** Which of the options is right. */
  readonly right: number;
  readonly why: string;
  /** How hard it is, in the units of ability: 0 is what half of those who have begun get right. */
  readonly difficulty: number;
}

/** One of several. */
export const oneOf = <T>(all: readonly T[], random: Random): T => all[Math.floor(random() * all.length)]!;

/** All of them in another order. */
export function shuffled<T>(all: readonly T[], random: Random): T[] {
  const mixed = [...all];
  for (let at = mixed.length - 1; at > 0; at -= 1) {
    const other = Math.floor(random() * (at + 1));
    [mixed[at], mixed[other]] = [mixed[other]!, mixed[at]!];
  }
  return mixed;
}

/**
 * A drill from its right answer and wrong ones, in an order of chance; wrong ones that read like another are left out.
 *
 * @returns undefined where fewer than two wrong answers are left
 */
export function drillOf(
  told: Omit<Drill, 'options' | 'right'>,
  right: string,
  wrong: readonly string[],
  random: Random,
): Drill | undefined {
  const others = [...new Set(wrong)].filter((one) => one !== right).slice(0, 3);
  if (others.length < 2) return undefined;
  const options = shuffled([right, ...others], random);
  return { ...told, options, right: options.indexOf(right) };
}
