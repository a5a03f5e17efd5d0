import { type Predictions } from '../behaviour';
import { replay, type TakenReading } from '../log';
import { likeness, type Symptom } from '../picture';
import { type ClosedLog } from './usual';
import { inconclusive, judgeAnswer, type Judgement } from './verdict';

/** What a set shows, and how what was measured on it read. */
export interface Shown {
  readonly symptoms: readonly Symptom[];
  /** By check, the mark of its last reading; what proves nothing is left out. */
  readonly marks: ReadonlyMap<string, Judgement['mark']>;
}

/** A closed job as far as others may be like it. */
export interface ClosedCase extends Shown, Pick<ClosedLog, 'job' | 'title' | 'cause'> {}

/** Closed jobs of one cause that were like the set at hand. */
export interface SeenBefore {
  readonly cause: string;
  readonly jobs: readonly Pick<ClosedCase, 'job' | 'title'>[];
  /** Checks that read off there as here. */
  readonly shared: readonly string[];
}

/**
 * What some readings say of a set.
 *
 * @param told the picture its owner told, which stands until one is seen
 */
export function shownBy(predictions: Predictions, readings: readonly TakenReading[], told: readonly Symptom[]): Shown {
  const marks = new Map<string, Judgement['mark']>();
  let symptoms = told;
  for (const { check: id, answer, context } of readings) {
    const check = predictions.checks.get(id);
    if (!check) continue;
    const verdict = judgeAnswer(predictions, check, answer, context);
    if (answer.kind === 'picture') symptoms = answer.symptoms;
    else if (!inconclusive(check, verdict)) marks.set(id, verdict.mark);
  }
  return { symptoms, marks };
}

/** Closed jobs as they stood before anything was repaired. */
export function closedCases(predictions: Predictions, closed: readonly ClosedLog[]): ClosedCase[] {
  const stores = [...predictions.model.sheet.stores.keys()];
  return closed.map(({ job, title, cause, symptoms, log }) => {
    const before = replay(log, stores).readings.filter(({ afterRepairs }) => afterRepairs === 0);
    return { job, title, cause, ...shownBy(predictions, before, symptoms) };
  });
}

/** Pictures are alike from here on. */
const alike = 0.5;

/**
 * The closed jobs like a set at hand, by cause, those with most in common first: the picture was alike, and either some
 * reading was off in the same way, or nothing was read off here yet. One that read otherwise where both were read, and
 * shares nothing that is off, is not like it.
 */
export function similarCases(here: Shown, closed: readonly ClosedCase[]): SeenBefore[] {
  const off = [...here.marks].filter(([, mark]) => mark !== 'within');
  const found = new Map<string, { jobs: ClosedCase[]; shared: Set<string> }>();
  if (here.symptoms.length === 0) return [];
  for (const one of closed) {
    if (likeness(new Set(one.symptoms), new Set(here.symptoms)) < alike) continue;
    const shared = off.filter(([check, mark]) => one.marks.get(check) === mark).map(([check]) => check);
    const otherwise = [...here.marks].some(([check, mark]) => (one.marks.get(check) ?? mark) !== mark);
    if (shared.length === 0 && (off.length > 0 || otherwise)) continue;
    const known = found.get(one.cause) ?? { jobs: [], shared: new Set() };
    known.jobs.push(one);
    for (const check of shared) known.shared.add(check);
    found.set(one.cause, known);
  }
  return [...found]
    .map(([cause, { jobs, shared }]) => ({
      cause,
      jobs: jobs.map(({ job, title }) => ({ job, title })),
      shared: [...shared],
    }))
    .sort((a, b) => b.shared.length - a.shared.length || b.jobs.length - a.jobs.length);
}
