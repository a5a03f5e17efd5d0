import { type Symptom, type Picture } from '../../picture';
import { formatQuantity, quantityIn, type Seconds, type Unit } from '../../quantity';
import { type Random } from '../../statistics';

/** What is learnt, each by drills of its own. */
export const skills = ['parts', 'instruments', 'circuits', 'pictures', 'isolating', 'safety'] as const;
export type Skill = (typeof skills)[number];

/** A picture that a question is about. */
export interface AskedPicture {
  readonly family: Picture['family'];
  readonly symptoms: readonly Symptom[];
}

/** A question of seconds, made from the models. */
interface Asked {
  readonly skill: Skill;
  readonly ask: string;
  /** What the question is about: colour bands, a picture and another after it, a light that blinks. */
  readonly bands?: readonly string[];
  readonly picture?: AskedPicture;
  readonly after?: AskedPicture;
  readonly blinks?: { readonly count: number; readonly each: Seconds };
  readonly why: string;
  /** How hard it is, in the units of ability: 0 is what half of those who have begun know. */
  readonly difficulty: number;
}

/** Answered by one of a few. */
export interface ChoiceDrill extends Asked {
  readonly options: readonly string[];
  /** Which of the options is right. */
  readonly right: number;
}

/** Answered by a value that is typed: nothing is to be guessed from. */
export interface TypedDrill extends Asked {
  readonly value: number;
  readonly unit: Unit;
  /** So far from it, as a share, is right. */
  readonly within: number;
}

export type Drill = ChoiceDrill | TypedDrill;

/** A drill with what it is a drill of, within its skill. */
export type DrawnDrill = Drill & { readonly kind: string };

/** How often a guess is right. */
export const guessOf = (drill: Drill): number => ('options' in drill ? 1 / drill.options.length : 0);

/** What is right, in words. */
export const rightAnswer = (drill: Drill): string =>
  'options' in drill ? drill.options[drill.right]! : formatQuantity(drill.value, drill.unit, 3);

/**
 * Is a typed answer right?
 *
 * @throws Refusal where it is no value, or one in another unit
 */
export function isRight({ value, unit, within }: TypedDrill, text: string): boolean {
  const typed = quantityIn(unit, text, `the answer is ${unit === '' ? 'a number without a unit' : `in ${unit}`}`);
  return Math.abs(typed - value) <= within * Math.abs(value);
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
export function drillOf(told: Asked, right: string, wrong: readonly string[], random: Random): ChoiceDrill | undefined {
  const others = [...new Set(wrong)].filter((one) => one !== right).slice(0, 3);
  if (others.length < 2) return undefined;
  const options = shuffled([right, ...others], random);
  return { ...told, options, right: options.indexOf(right) };
}
