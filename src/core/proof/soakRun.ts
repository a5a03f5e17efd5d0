import { type LogEntry, standing, type Standing } from '../log';
import { attempt, Refusal } from '../quantity';
import { chanceCured, cleanFor, type FailureRecord, readFailures } from '../soak';

/** The last soak. */
export interface SoakRun {
  readonly running: boolean;
  /** How long it has run, in seconds. */
  readonly seconds: number;
  readonly seen: readonly Standing<'soak'>[];
  /** What it was put through, by the titles of the steps. */
  readonly stressed: readonly string[];
  /** How often it failed before, as it was typed. */
  readonly begun: string;
  /** Did it end because the set failed? */
  readonly failed: boolean;
  /** How long it has run since anything happened, in seconds. */
  readonly clean: number;
  /** How often it failed before, as told when the soak was begun; undefined where nobody said. */
  readonly before: FailureRecord | undefined;
}

/** Chance that a repair which the readings bear out cures a fault that comes and goes. */
const usualCure = 0.8;
/** A set is believed from here on. */
const believed = 0.95;

/** What a soak comes to: the chance that it is cured by now, and the seconds until it is believed. */
export function soakWorth({
  before,
  clean,
}: Pick<SoakRun, 'before' | 'clean'>): { readonly cured: number; readonly left: number } | undefined {
  if (!before) return undefined;
  const hours = clean / 3600;
  return {
    cured: chanceCured(before, usualCure, hours),
    left: Math.max(0, cleanFor(before, usualCure, believed) - hours) * 3600,
  };
}

/** The last soak as it stands at a moment, in milliseconds since 1970; undefined before there was one. */
export function soakRun(log: readonly LogEntry[], now: number): SoakRun | undefined {
  const lines = standing(log, 'soak');
  const run = lines.slice(
    Math.max(
      0,
      lines.findLastIndex(({ body }) => body.event === 'begun'),
    ),
  );
  const [begun] = run;
  if (begun?.body.event !== 'begun') return undefined;
  const ended = run.find(({ body }) => body.event === 'ended' || body.event === 'failed');
  const until = ended ? Date.parse(ended.entry.at) : now;
  const seen = run.filter(({ body }) => body.event === 'seen' || body.event === 'failed');
  const since = seen[seen.length - 1]?.entry.at ?? begun.entry.at;
  const before = attempt(() => readFailures(begun.body.text));
  return {
    running: !ended,
    seconds: Math.max(0, until - Date.parse(begun.entry.at)) / 1000,
    seen,
    stressed: run.flatMap(({ body }) => (body.event === 'stressed' ? [body.text] : [])),
    begun: begun.body.text,
    failed: ended?.body.event === 'failed',
    clean: Math.max(0, until - Date.parse(since)) / 1000,
    before: before instanceof Refusal ? undefined : before,
  };
}

/** How often a set fails by a soak that it failed in, as it is typed for the next: `1 in 2.2 h`. */
export const failureRateOf = ({ seen, seconds }: Pick<SoakRun, 'seen' | 'seconds'>): string =>
  `${Math.max(1, seen.length)} in ${Number(Math.max(0.1, seconds / 3600).toFixed(1))} h`;
