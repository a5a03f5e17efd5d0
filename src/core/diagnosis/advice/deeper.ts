import { type Case, posteriorOf } from '../belief';
import { condense, type Condensed, NestedRollouts, startOf, type ValuedMove } from '../../plan';
import { type Minutes } from '../../quantity';
import { problemOf } from './problem';

/** The first move of a plan that looks several steps ahead. */
export interface DeeperMove {
  readonly kind: 'probe' | 'repair';
  /** Id of the probe or of the repair. */
  readonly id: string;
  /** Expected minutes to the cure, bench time and money at the shop's rate. */
  readonly minutes: Minutes;
}

/** How far a deeper look has come. */
export interface DeeperLook {
  /** Rollouts nested so far, from 0. */
  readonly level: number;
  /** Best first. */
  readonly moves: readonly DeeperMove[];
  /** Share of what may be wrong that was weighed one by one; the rest is taken together. */
  readonly weighed: number;
}

const hypotheses = 5;
const tests = 5;
const levels = 2;

/**
 * Looks further ahead than one probe: the likeliest faults and the probes that tell most for their
 * minutes are walked to the cure, all else being taken together.
 *
 * Yields a better look with each level.
 *
 * @param halt looked at now and then; when it gives true the look ends with Halted
 */
export function* lookDeeper(job: Case, halt: () => boolean): Generator<DeeperLook, void> {
  const { plan, open } = problemOf(job, posteriorOf(job));
  if (open.sets.length < 2) return;
  const small = condense(plan, startOf(plan), hypotheses, tests);
  const rollouts = new NestedRollouts(small.problem, levels - 1, halt);
  for (let level = 0; level < levels; level += 1) {
    yield { level, weighed: small.kept, moves: rollouts.moves(level).flatMap((valued) => named(small, plan, valued)) };
  }
}

function named(small: Condensed, plan: ReturnType<typeof problemOf>['plan'], { move, cost }: ValuedMove): DeeperMove[] {
  const whole = small.moveOf(move);
  if (!whole) return [];
  return whole.kind === 'test'
    ? [{ kind: 'probe', id: plan.tests[whole.index]!.id, minutes: cost }]
    : [{ kind: 'repair', id: plan.repairs[whole.index]!.id, minutes: cost }];
}
