import { kindOf, type LogBody, type WorkStep, workSteps } from '../log';
import { type Minutes, Refusal } from '../quantity';
import { dayIn } from './zone';

/** A line of any job's record, in the order of time. */
export interface WorkedLine {
  readonly job: string;
  readonly at: string;
  readonly body: LogBody;
}

/** A job that was closed in the week. */
export interface ClosedJob {
  readonly job: string;
  readonly title: string;
  readonly chassis: string;
  readonly cause: string;
  /** The sheet's fault that it was, where the sheet has one. */
  readonly fault: string | null;
  readonly outcome: string;
  readonly value: number;
  readonly money: number;
  readonly minutes: Minutes;
  /** Days in the house. */
  readonly days: number;
  /** Its repairs, in order. */
  readonly repairs: readonly {
    readonly title: string;
    readonly cures: readonly string[];
    readonly minutes: Minutes;
    readonly money: number;
  }[];
}

/** What a week took and what it brought. */
export interface Week {
  readonly steps: readonly { readonly step: WorkStep; readonly minutes: Minutes }[];
  /** Bench time by day, Monday first. */
  readonly days: readonly { readonly day: string; readonly minutes: Minutes }[];
  readonly minutes: Minutes;
  /** Spent on parts, by the repairs of the week. */
  readonly spent: number;
  /** What the sets that left repaired are worth, less what their parts cost. */
  readonly saved: number;
  readonly closed: readonly ClosedJob[];
  readonly causes: readonly { readonly chassis: string; readonly cause: string; readonly count: number }[];
  /** Repairs of closed jobs that were not the cure, with what they took. */
  readonly wrongTurns: readonly {
    readonly set: string;
    readonly title: string;
    readonly minutes: Minutes;
    readonly money: number;
  }[];
}

/** Somebody who writes nothing for longer has left the bench, in minutes. */
const longestPause: Minutes = 20;
/** What a line is reckoned at after such a pause, in minutes. */
const afterPause: Minutes = 2;

const day = 24 * 60 * 60 * 1000;

/**
 * The Monday on which the week of a day begins.
 *
 * @param of a day as `2026-11-24`
 * @throws Refusal where that is no day
 */
export function mondayOf(of: string): string {
  const time = /^\d{4}-\d\d-\d\d$/.test(of) ? Date.parse(`${of}T00:00:00Z`) : NaN;
  if (!Number.isFinite(time) || new Date(time).toISOString().slice(0, 10) !== of)
    throw new Refusal(`"${of}" is no day: write it like 2026-11-24`);
  return new Date(time - ((new Date(time).getUTCDay() + 6) % 7) * day).toISOString().slice(0, 10);
}

/** The day so many days after another. */
export const dayAfter = (from: string, days: number): string =>
  new Date(Date.parse(`${from}T00:00:00Z`) + days * day).toISOString().slice(0, 10);

/**
 * Looks back on a week.
 *
 * A line ends the time that went into it: what lies between it and the one before, at whichever set. After a pause
 * of more than twenty minutes it counts two. A repair counts what was written down for it, and at least that time.
 *
 * @param monday as `mondayOf` gives it
 * @param lines of all jobs, from the week and in the order of time
 * @param zone in which the shop's days begin and end
 */
export function weekOf(monday: string, lines: readonly WorkedLine[], closed: readonly ClosedJob[], zone: string): Week {
  const steps = new Map<WorkStep, Minutes>(workSteps.map((step) => [step, 0]));
  const days = Array.from({ length: 7 }, (_, after) => ({ day: dayAfter(monday, after), minutes: 0 }));
  let before = -Infinity;
  let spent = 0;
  for (const { at, body } of lines) {
    const now = Date.parse(at) / 60_000;
    const since = now - before;
    before = now;
    const passed = since > longestPause ? afterPause : since;
    const minutes = body.kind === 'repair' ? Math.max(body.minutes, since > longestPause ? 0 : since) : passed;
    if (body.kind === 'repair') spent += body.money;
    const step = kindOf(body).work;
    steps.set(step, steps.get(step)! + minutes);
    const own = days.find((one) => one.day === dayIn(at, zone));
    if (own) own.minutes += minutes;
  }
  const causes = new Map<string, { chassis: string; cause: string; count: number }>();
  for (const { chassis, cause } of closed) {
    const key = `${chassis}\n${cause}`;
    causes.set(key, { chassis, cause, count: (causes.get(key)?.count ?? 0) + 1 });
  }
  const saved = closed.filter(({ outcome }) => outcome !== 'stripped');
  return {
    steps: [...steps].map(([step, minutes]) => ({ step, minutes })).filter(({ minutes }) => minutes > 0),
    days,
    minutes: [...steps.values()].reduce((sum, minutes) => sum + minutes, 0),
    spent,
    saved: saved.reduce((sum, { value, money }) => sum + value - money, 0),
    closed,
    causes: [...causes.values()].sort((a, b) => b.count - a.count || a.chassis.localeCompare(b.chassis)),
    wrongTurns: closed.flatMap(({ title: set, fault, repairs }) =>
      fault === null
        ? []
        : repairs
            .filter(({ cures }) => !cures.includes(fault))
            .map(({ title, minutes, money }) => ({ set, title, minutes, money })),
    ),
  };
}
