import { sumOf } from '@/core/statistics';
import { dayCount, daysUntilEnd, rankDay, type WorkableSet } from '@/core/days';
import { type SoakRun, soakWorth } from '@/core/proof';
import { type JobStep, stepOf } from '@/core/job';
import { familyOf } from '@/core/sheet';
import {
  type Advice,
  type Briefing,
  type Case,
  followed,
  foundFirst,
  verificationOf,
  verified,
} from '@/core/diagnosis';
import { type Picture, type Symptom, symptomTitles } from '@/core/picture';
import { waitingTitles, type WaitingFor } from '@/workshop/job';
import { chanceText, clockText, moneyText, shopZone } from '@/ui';

/** A set on the queue: where it stands and what is next. */
export interface QueueRow {
  readonly id: string;
  readonly title: string;
  readonly place: string;
  readonly owner: string;
  readonly chassis: string;
  readonly family: Picture['family'];
  readonly symptoms: readonly Symptom[];
  readonly symptomText: string;
  readonly step: JobStep;
  /** The thing to do next, and why or how long. */
  readonly next: string;
  readonly nextDetail: string;
  readonly leader: { readonly title: string; readonly probability: number } | undefined;
  readonly limit: number;
  readonly spent: number;
  readonly since: string;
  readonly live: boolean;
  /** What the day makes of it; undefined for what waits. */
  readonly work: WorkableSet | undefined;
  /** ISO date on which it is wanted back; empty where no day was named. */
  readonly due: string;
  /** Put first by hand. */
  readonly pinned: boolean;
  /** What it waits for should be over. */
  readonly overdue: boolean;
  /** Why it stands where it stands. */
  readonly why: string;
}

/** What a row needs of a stored job. */
export interface QueuedJob {
  readonly id: string;
  readonly title: string;
  readonly place: string;
  readonly owner: string;
  readonly limit: number;
  readonly value?: number;
  readonly due?: string;
  readonly pinned?: boolean;
  readonly createdAt: string;
  readonly waiting: { readonly for: WaitingFor; readonly note: string; readonly until: string } | null;
}

/** Putting a set together, setting it up and closing it, in minutes. */
const finishing = 30;
/** A repair that needs a part waits about so many days for it. */
const partDays = 4;
/** A repaired set runs about so many days before it is believed. */
const soakDays = 1;

/** Where a job stands by its log alone, whatever the day and the hour. Plain data, so that it can be kept. */
export interface Standing {
  readonly chassis: string;
  readonly family: Picture['family'];
  /** What it shows: the last picture seen, before that the complaint. */
  readonly symptoms: readonly Symptom[];
  readonly step: JobStep;
  readonly leader?: { readonly title: string; readonly probability: number };
  readonly spent: number;
  readonly live: boolean;
  readonly next: Advice['next'];
  readonly probe?: { readonly title: string; readonly minutes: number };
  readonly repair?: {
    readonly title: string;
    readonly chance: number;
    readonly money: number;
    readonly minutes: number;
  };
  /** What was found bad and is put right before that, in words. */
  readonly found?: string;
  /** Minutes to the cure when going straight for repairs. */
  readonly repairNow: number;
}

/** @param briefing what is to be said of the case */
export function standingOf(file: Case, briefing: Briefing): Standing {
  const { predictions, bench, complaint } = file;
  const { sheet } = predictions.model;
  const briefed = followed(briefing, predictions);
  const { next, repairNow, suspects } = briefed;
  const picture = [...bench.readings].reverse().find(({ answer }) => answer.kind === 'picture');
  const leader = suspects.find(({ cured, probability }) => !cured && probability > 0.5) ?? suspects[0];
  const [probe] = briefed.probes;
  const [repair] = briefed.repairs;
  const bad = foundFirst(briefed);
  return {
    chassis: sheet.title,
    family: familyOf(sheet.technology),
    symptoms: picture?.answer.kind === 'picture' ? picture.answer.symptoms : complaint.symptoms,
    step: stepOf({ bench, verified: verified(verificationOf(file)), soaking: false, closed: false }),
    ...(leader && !leader.cured && bench.readings.length > 0
      ? { leader: { title: leader.fault.title, probability: leader.probability } }
      : {}),
    spent: sumOf(bench.repairs, ({ repair: { money } }) => money),
    live: bench.context.power === 'live',
    next,
    ...(probe ? { probe: { title: probe.probe.check.title, minutes: probe.minutes } } : {}),
    ...(repair
      ? {
          repair: {
            title: repair.action.title,
            chance: repair.chance,
            money: repair.action.money,
            minutes: repair.action.minutes,
          },
        }
      : {}),
    ...(bad ? { found: bad.action } : {}),
    repairNow,
  };
}

/** Days from an instant until a date is over at the shop; undefined where there is none. */
const daysUntil = (date: string | undefined, now: number): number | undefined =>
  date ? daysUntilEnd(date, now, shopZone()) : undefined;

/** What to do about a wait that should be over. */
const overdueTitles: Readonly<Record<WaitingFor, string>> = {
  part: 'Ask where the part is',
  donor: 'Ask where the donor is',
  owner: 'Ask the owner again',
  soak: 'Look at the soak',
  bench: 'See if the bench is free',
};

/** Days by which a wait is over its day; undefined where it is not, or has none. */
function overdueBy({ waiting }: QueuedJob, now: number): number | undefined {
  const left = daysUntil(waiting?.until.slice(0, 10), now);
  return left !== undefined && left < 0 ? Math.ceil(-left) : undefined;
}

/** What the day makes of a set: what it is worth to have it done, and how long that takes. */
function workOf(job: QueuedJob, standing: Standing, step: JobStep, now: number): WorkableSet | undefined {
  if (job.waiting) return undefined;
  const { probe, repair } = standing;
  const worth = Math.max(0, (job.value ?? job.limit) - (repair?.money ?? 0));
  const about = { id: job.id, worth, opensWait: 0, waits: 0, dueIn: daysUntil(job.due, now) };
  if (step === 'verified') return { ...about, next: finishing, remaining: finishing };
  if (standing.next === 'verify') return { ...about, next: 15, remaining: 15 + finishing, waits: soakDays };
  const remaining = standing.repairNow + finishing;
  const forParts = repair?.money === 0 ? 0 : partDays;
  const waits = forParts + soakDays;
  if (standing.next === 'act' && repair)
    return { ...about, next: repair.minutes, remaining, opensWait: forParts, waits };
  return { ...about, next: probe?.minutes ?? 10, remaining, waits };
}

/**
 * One row of the queue.
 *
 * @param now in milliseconds of the epoch
 * @param soak the soak of the set, where one runs
 */
export function queueRow(job: QueuedJob, standing: Standing, now: number, soak?: SoakRun): QueueRow {
  const { chassis, family, symptoms, leader, spent, live } = standing;
  const step = job.waiting?.for === 'soak' || soak?.running === true ? 'soaking' : standing.step;
  const overdue = overdueBy(job, now);
  return {
    id: job.id,
    title: job.title,
    place: job.place,
    owner: job.owner,
    chassis,
    family,
    symptoms,
    symptomText: symptoms.map((symptom) => symptomTitles[symptom]).join(', ') || 'No picture told',
    step,
    ...(soak?.running ? soakNext(soak) : nextOf(job, standing, step, overdue)),
    leader,
    limit: job.limit,
    spent,
    since: job.createdAt,
    live,
    work: soak?.running ? undefined : workOf(job, standing, step, now),
    due: job.due ?? '',
    pinned: job.pinned ?? false,
    overdue: overdue !== undefined,
    why: '',
  };
}

/** What a running soak waits for; one that may be believed is to be ended. */
function soakNext(soak: SoakRun): { next: string; nextDetail: string } {
  const worth = soakWorth(soak);
  const run = clockText(soak.seconds);
  if (!worth) return { next: `Soaking ${run}`, nextDetail: 'nobody said how often it failed' };
  return worth.left > 0
    ? { next: `Soaking ${run}`, nextDetail: `believed in ${clockText(worth.left)}, ${chanceText(worth.cured)} now` }
    : { next: 'End the soak', nextDetail: `${run} run, cured with ${chanceText(worth.cured)}` };
}

/**
 * Rows in the order of the day: what is worth most for the hour first, before it what was put first by hand, before
 * all soaks that may be ended and waits that should be over, and what waits last.
 */
export function inOrder(rows: readonly QueueRow[], currency: string): QueueRow[] {
  const ranked = rankDay(
    rows.flatMap(({ work }) => work ?? []),
    (amount) => moneyText(amount, currency),
  );
  const place = new Map(ranked.map(({ id, why }, index) => [id, { index, why }]));
  const rank = ({ id, work, next, pinned, overdue }: QueueRow) =>
    next === 'End the soak' ? -2 : overdue ? -1 : work ? (pinned ? 0 : 1) + place.get(id)!.index / rows.length : 2;
  const whyOf = ({ id, work, pinned }: QueueRow) =>
    [pinned && work ? 'first by hand' : '', place.get(id)?.why ?? ''].filter(Boolean).join(', ');
  return [...rows].sort((a, b) => rank(a) - rank(b)).map((row) => ({ ...row, why: whyOf(row) }));
}

function nextOf(
  job: QueuedJob,
  { next, probe, repair, found }: Standing,
  step: JobStep,
  overdue: number | undefined,
): { next: string; nextDetail: string } {
  if (job.waiting)
    return {
      next: (overdue === undefined ? waitingTitles : overdueTitles)[job.waiting.for],
      nextDetail: [
        overdue === undefined ? '' : `overdue by ${dayCount(overdue)}`,
        job.waiting.note,
        job.waiting.until === '' ? '' : `until ${job.waiting.until}`,
      ]
        .filter(Boolean)
        .join(', '),
    };
  if (step === 'verified') return { next: 'Close it', nextDetail: 'every wrong reading is right again' };
  if (next === 'verify') return { next: 'Verify the repair', nextDetail: 'measure again what was wrong' };
  if (found !== undefined) return { next: found, nextDetail: 'found bad, whatever else is' };
  if (next === 'act' && repair) return { next: repair.title, nextDetail: `cures it with ${chanceText(repair.chance)}` };
  return probe
    ? { next: probe.title, nextDetail: `${Math.round(probe.minutes)} min` }
    : { next: 'Open it', nextDetail: '' };
}
