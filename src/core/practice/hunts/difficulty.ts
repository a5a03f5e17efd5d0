import { adviseOn } from '../../diagnosis';
import { type Minutes } from '../../quantity';
import { huntFor, type PracticeHunt } from './drawHunt';
import { expectedFrom } from './expected';
import { plannersHunt } from './plannersHunt';
import { caseAfter } from './playedHunt';

/** How hard a hunt is, from 1 to 5. */
export const grades = [1, 2, 3, 4, 5] as const;
export type Grade = (typeof grades)[number];

export interface Difficulty {
  /** Minutes to be expected from the owner’s account on: more where more is like it, or is dear to tell apart. */
  readonly expected: Minutes;
  /** Minutes of the planner’s own hunt for what is really wrong: more where that is rare, or has a twin. */
  readonly planner: Minutes;
  /** Both together, in minutes: what the grades are made of. */
  readonly weight: Minutes;
  readonly grade: Grade;
}

/** What is really wrong counts so many times what was to be expected: so it goes best with what learners take. */
const ofPlanner = 2;

/** Where one grade ends and the next begins: the fifths of what is drawn from the shipped sheets (`npm run bench -- practice`). */
const bounds = [107, 124, 143, 184] as const;

const known = new WeakMap<PracticeHunt, Difficulty>();

/**
 * Judges how hard a hunt is among those of its trouble: by what it takes whoever hunts its cause well, were that alone and
 * as its sheet has it.
 */
export function difficultyOf(hunt: PracticeHunt): Difficulty {
  let found = known.get(hunt);
  if (!found) {
    const { trouble, sheet, fault, seed } = hunt;
    const alone = trouble === 'one' ? hunt : huntFor(sheet, fault, 'one', seed);
    const expected = expectedFrom(adviseOn(caseAfter(alone, [])));
    const planner = plannersHunt(alone).minutes;
    const weight = expected + ofPlanner * planner;
    const grade = grades[bounds.filter((bound) => weight > bound).length]!;
    known.set(hunt, (found = { expected, planner, weight, grade }));
  }
  return found;
}
