import { mean, type Random, sumOf } from '../statistics';
import { rankDay } from './priority';

/** What is done to a set, in order: minutes at the bench, then days in which it waits by itself. */
interface Stage {
  readonly minutes: number;
  readonly waits: number;
}

interface DrawnSet {
  readonly id: string;
  /** Day it comes in. */
  readonly comes: number;
  readonly worth: number;
  readonly due: number | undefined;
  readonly stages: readonly Stage[];
}

/** Ways to choose what is done next. */
export const dayRules = ['first in first out', 'shortest first', 'by worth'] as const;
export type DayRule = (typeof dayRules)[number];

/** What came of some months. */
export interface MonthsOutcome {
  /** Worth of what left, a week, in money. */
  readonly weekly: number;
  /** Days from taking in to leaving, over what left. */
  readonly days: number;
  readonly left: number;
  /** Share of the sets wanted back on a day of these months that did not leave by it. */
  readonly late: number;
}

const exponential = (mid: number, random: Random) => -mid * Math.log(1 - random());

/** Sets as a small shop takes them in: worth, work and waits of all sizes. */
export function drawSets(days: number, aDay: number, random: Random): DrawnSet[] {
  const sets: DrawnSet[] = [];
  for (let at = exponential(1 / aDay, random); at < days; at += exponential(1 / aDay, random)) {
    const hunt = 20 + exponential(70, random);
    const part = random() < 0.6 ? 2 + exponential(4, random) : 0;
    const soak = random() < 0.5 ? 0.2 : 1 + exponential(1, random);
    sets.push({
      id: String(sets.length),
      comes: at,
      worth: 30 * Math.exp(1.8 * random()),
      due: random() < 0.3 ? at + 7 + 21 * random() : undefined,
      stages: [
        { minutes: hunt, waits: part },
        { minutes: 15 + exponential(25, random), waits: soak },
        { minutes: 15, waits: 0 },
      ],
    });
  }
  return sets;
}

const benchDay = 240;
/** Days that a set runs before it leaves, in the mean. */
const usualSoak = 1.1;

/** Works through some months by a rule, each bench doing one stage at a time of the sets that can be worked on. */
export function runMonths(sets: readonly DrawnSet[], days: number, benches: number, rule: DayRule): MonthsOutcome {
  const state = sets.map((set) => ({ set, stage: 0, free: set.comes, left: undefined as number | undefined }));
  const bench = Array.from({ length: benches }, () => 0);
  for (;;) {
    const now = Math.min(...bench);
    const which = bench.indexOf(now);
    if (now >= days) break;
    const open = state.filter(({ left, free }) => left === undefined && free <= now);
    const chosen = choose(open, now, rule);
    if (!chosen) {
      const [soonest = days] = state
        .filter(({ left, free }) => left === undefined && free > now)
        .map(({ free }) => free)
        .sort((a, b) => a - b);
      bench[which] = Math.max(soonest, now + 1e-6);
      continue;
    }
    const { minutes, waits } = chosen.set.stages[chosen.stage]!;
    bench[which] = now + minutes / benchDay;
    chosen.free = bench[which] + waits;
    chosen.stage += 1;
    if (chosen.stage === chosen.set.stages.length) chosen.left = bench[which];
  }
  const wanted = state.filter(({ set: { due } }) => due !== undefined && due <= days);
  const done = state.filter(({ left }) => left !== undefined && left <= days);
  return {
    weekly: (sumOf(done, ({ set }) => set.worth) / days) * 7,
    days: done.length === 0 ? 0 : mean(done.map(({ set, left }) => left! - set.comes)),
    left: done.length,
    late: wanted.length === 0 ? 0 : mean(wanted.map(({ set, left = Infinity }) => Number(left > set.due!))),
  };
}

/**
 * What no rule can exceed: worth a week if nothing ever waited and all that comes were known from the first day.
 * Filled by worth a minute until no bench has a minute left (fractional knapsack, Dantzig 1957).
 */
export function mostWeekly(sets: readonly DrawnSet[], days: number, benches: number): number {
  const minutesOf = ({ stages }: DrawnSet) => sumOf(stages, ({ minutes }) => minutes);
  let spare = days * benchDay * benches;
  let worth = 0;
  for (const set of [...sets].sort((a, b) => b.worth / minutesOf(b) - a.worth / minutesOf(a))) {
    const share = Math.min(1, spare / minutesOf(set));
    worth += share * set.worth;
    spare -= share * minutesOf(set);
  }
  return (worth / days) * 7;
}

interface InHouse {
  readonly set: DrawnSet;
  readonly stage: number;
}

function choose<S extends InHouse>(open: readonly S[], now: number, rule: DayRule): S | undefined {
  const remaining = ({ set, stage }: S) => sumOf(set.stages.slice(stage), ({ minutes }) => minutes);
  if (open.length === 0) return undefined;
  if (rule === 'first in first out') return open.reduce((a, b) => (b.set.comes < a.set.comes ? b : a));
  if (rule === 'shortest first') return open.reduce((a, b) => (remaining(b) < remaining(a) ? b : a));
  const [first] = rankDay(
    open.map((one) => ({
      id: one.set.id,
      worth: one.set.worth,
      next: one.set.stages[one.stage]!.minutes,
      remaining: remaining(one),
      opensWait: one.set.stages[one.stage]!.waits,
      // Of the soak still ahead only its usual length is known.
      waits: one.set.stages[one.stage]!.waits + (one.stage === 0 ? usualSoak : 0),
      dueIn: one.set.due === undefined ? undefined : one.set.due - now,
    })),
  );
  return open.find(({ set }) => set.id === first!.id);
}
