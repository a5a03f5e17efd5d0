import {
  type Ability,
  abilityOf,
  type AnsweredDrill,
  type DrawnDrill,
  drillToAsk,
  guessOf,
  type Skill,
  skills,
} from '@/core/practice';

/** An answer that was given, with when. */
export interface Given extends AnsweredDrill {
  readonly skill: Skill;
  /** Milliseconds since 1970. */
  readonly at: number;
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
  const { skill, difficulty, guess, kind, right, at } = (one ?? {}) as Partial<Given>;
  const fair =
    (guess === undefined || (Number.isFinite(guess) && guess >= 0 && guess < 1)) &&
    (kind === undefined || typeof kind === 'string');
  return (
    skills.includes(skill!) && Number.isFinite(difficulty) && fair && typeof right === 'boolean' && Number.isFinite(at)
  );
}

/** The answers as they are kept, with one more. */
export const withGiven = (given: readonly Given[], one: Given): Given[] => [...given, one].slice(-remembered);

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
