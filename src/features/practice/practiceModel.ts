import {
  type Ability,
  abilityOf,
  type Answered,
  type DrawnDrill,
  drillToAsk,
  type Grade,
  guessOf,
  type Skill,
  skills,
} from '@/core/practice';
import { type DebriefView } from './huntView';

/** An answer that was given, with when. */
export interface Given extends Answered {
  readonly skill: Skill;
  /** Milliseconds since 1970. */
  readonly at: number;
  /** The hunt that it was a decision of, where it was no drill. */
  readonly hunt?: string;
}

/** So many answers are remembered. */
const remembered = 600;

/** Answers as they were kept in the browser; what cannot be read was never given. */
export function readGiven(text: string | null): Given[] {
  try {
    const kept = JSON.parse(text ?? '[]') as unknown;
    return Array.isArray(kept) ? kept.filter(isGiven) : [];
  } catch {
    return [];
  }
}

function isGiven(one: unknown): one is Given {
  const { skill, difficulty, guess, kind, right, at, hunt } = (one ?? {}) as Partial<Given>;
  const fair =
    (guess === undefined || (Number.isFinite(guess) && guess >= 0 && guess < 1)) &&
    [kind, hunt].every((one) => one === undefined || typeof one === 'string');
  return (
    skills.includes(skill!) && Number.isFinite(difficulty) && fair && typeof right === 'boolean' && Number.isFinite(at)
  );
}

/** The answers as they are kept, with one more. */
export const withGiven = (given: readonly Given[], one: Given): Given[] => [...given, one].slice(-remembered);

/** A decision in a hunt is right where no other was expected to take so many minutes less. */
const goodEnough = 2;
/** Among all that can be done a good decision is met by chance so often, and nothing goes wrong so often. */
const metByChance = 0.15;
const luckily = 0.4;
/** By so much a decision is harder with each grade of the hunt, the third being as hard as the middle drill. */
const perGrade = 0.4;

/**
 * The answers with what a hunt tells of its hunter, in place of what was kept of it before: each decision of what to
 * measure or to mend next, and whether anything went wrong.
 *
 * @param hunt which it is: each counts once
 */
export function withHunt(
  given: readonly Given[],
  hunt: string,
  { rows, slips }: Pick<DebriefView, 'rows' | 'slips'>,
  grade: Grade,
  at: number,
): Given[] {
  const item = { difficulty: perGrade * (grade - 3), kind: 'hunt', hunt, at };
  // What told nothing and lost nothing was no decision: giving up.
  const decided = rows
    .filter(({ bits, loss }) => bits !== 0 || loss > 0)
    .map(({ loss }): Given => ({ ...item, skill: 'isolating', guess: metByChance, right: loss < goodEnough }));
  const unharmed: Given = { ...item, skill: 'safety', guess: luckily, right: slips < goodEnough };
  const others = given.filter((one) => one.hunt !== hunt);
  return [...others, ...decided, ...(decided.length > 0 ? [unharmed] : [])].slice(-remembered);
}

/** What is known of each skill. */
export const abilitiesOf = (given: readonly Given[]): Record<Skill, Ability & { readonly answers: number }> =>
  Object.fromEntries(
    skills.map((skill) => {
      const own = given.filter((one) => one.skill === skill);
      return [skill, { ...abilityOf(own), answers: own.length }];
    }),
  ) as Record<Skill, Ability & { readonly answers: number }>;

/** The skill whose turn it is: the one least is known of, of those alike the one that was not asked last. */
export function skillInTurn(given: readonly Given[]): Skill {
  const abilities = abilitiesOf(given);
  const last = given[given.length - 1]?.skill;
  return [...skills].sort((a, b) => Number(a === last) - Number(b === last) || abilities[b].sd - abilities[a].sd)[0]!;
}

/** What is remembered of a drill that was answered. */
export const givenTo = (drill: DrawnDrill, right: boolean, at: number): Given => ({
  skill: drill.skill,
  difficulty: drill.difficulty,
  guess: guessOf(drill),
  kind: drill.kind,
  right,
  at,
});

/** Of some drills the one at the edge of what can be done; one that was missed may come again in another dress. */
export const chosenOf = (
  drills: readonly DrawnDrill[],
  skill: Skill,
  given: readonly Given[],
): DrawnDrill | undefined =>
  drillToAsk(
    drills,
    given.filter((one) => one.skill === skill),
    (drill) => ({ difficulty: drill.difficulty, guess: guessOf(drill), kind: drill.kind }),
  );

/** How far an ability is along the bar, from 0 to 1. */
export const shareOf = ({ mean }: Ability): number => Math.max(0, Math.min(1, (mean + 3) / 6));

/** `not asked yet`, `beginner`, `± 0.4`: an ability in a word, with how sure that is. */
export function abilityText({ mean, sd, answers }: Ability & { readonly answers: number }): string {
  if (answers === 0) return 'not asked yet';
  const word = mean < -1 ? 'new to it' : mean < 0.3 ? 'on the way' : mean < 1.3 ? 'sure' : 'very sure';
  return `${word}, ± ${sd.toFixed(1)} after ${answers}`;
}
