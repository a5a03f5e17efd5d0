import { type LogEntry } from '../../log';
import { type Minutes } from '../../quantity';
import { seeded } from '../../statistics';
import { hunt as huntOf } from '../hunt';
import { huntIn } from '../worlds/openHunt';
import { type PracticeHunt } from './drawHunt';
import { noise } from './noise';
import { practiceRate } from './playedHunt';

/**
 * How the planner hunts the same set, with what that does to the set counted in where one part is bad as the sheet has
 * it. The instants of its log are the minutes gone by.
 */
export function plannersHunt(hunt: PracticeHunt): {
  readonly log: readonly LogEntry[];
  readonly minutes: Minutes;
  readonly cured: boolean;
} {
  const random = seeded(hunt.seed);
  if (hunt.trouble !== 'one') return huntIn(hunt.set(), random);
  const { log, minutes, harm, cured } = huntOf(hunt.predictions, hunt.fault, {
    policy: 'tovrik',
    noise,
    random,
    hourlyRate: practiceRate,
    clock: (now) => new Date(now * 60_000).toISOString(),
  });
  return { log, minutes: minutes + harm, cured };
}
