import { liveCold, type Predictions } from '../../behaviour';
import { adviseOn } from '../../diagnosis';
import { mainValue } from '../../measure';
import { type Minutes } from '../../quantity';
import { type Fault } from '../../sheet';
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
  /** What can be checked on the set, and how much of it the fault changes: what shows at few of many is seldom met. */
  readonly checks: number;
  readonly shown: number;
  /** All together, in minutes: what the grades are made of. */
  readonly weight: Minutes;
  readonly grade: Grade;
}

/**
 * What goes best with what learners take, who know less than the planner: by least squares over hunts drawn from the
 * shipped sheets, rounded (`npm run bench -- practice`).
 */
const ofPlanner = 2;
const perCheck: Minutes = 0.6;
/** For each e times that what shows is rarer among the checks. */
const perRarity: Minutes = 20;

/** Where one grade ends and the next begins: the fifths of what is drawn from the shipped sheets. */
const bounds = [235, 261, 282, 316] as const;

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
    const [checks, shown] = [alone.predictions.checks.size, shownBy(alone.predictions, alone.fault)];
    const weight =
      expected + ofPlanner * planner + perCheck * checks + perRarity * Math.log((checks + 1) / (shown + 1));
    const grade = grades[bounds.filter((bound) => weight > bound).length]!;
    known.set(hunt, (found = { expected, planner, checks, shown, weight, grade }));
  }
  return found;
}

/** A number is another from so much of itself on. */
const plainly = 0.25;

/** At how many checks a fault shows plainly. */
function shownBy(predictions: Predictions, fault: Fault): number {
  return [...predictions.checks.values()].filter((check) => {
    const good = predictions.expectation(undefined, check, liveCold);
    const bad = predictions.expectation(fault, check, liveCold);
    if (good.kind !== 'number' || bad.kind !== 'number') return JSON.stringify(good) !== JSON.stringify(bad);
    return Math.abs(mainValue(bad) - mainValue(good)) > plainly * Math.abs(mainValue(good));
  }).length;
}
