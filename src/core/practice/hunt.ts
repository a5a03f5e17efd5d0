import { type BenchState, type LogBody, type LogEntry, replay } from '../log';
import { type Expectation, type Answer } from '../measure';
import { asBuilt, type Context, liveCold, type Predictions } from '../behaviour';
import {
  type Advice,
  adviseOn,
  type Case,
  type Complaint,
  contextFor,
  type Probe,
  probeCost,
  renewedBy,
  changeCost,
  transition,
} from '../diagnosis';
import { symptomsOf } from '../picture';
import { type Minutes } from '../quantity';
import { harmMinutes, harmsOf, minutesOn } from '../safety';
import { type Fault } from '../sheet';
import { answerFrom, misread } from './answering';
import { type Random } from '../statistics';

/** How the next step is chosen: by the advice, or by going through the checks in some order. */
export type HuntPolicy = 'tovrik' | 'checklist' | 'random';

/** How a hunt for one hidden fault went. */
export interface Hunt {
  readonly fault: string;
  /** Faults the first repair would cure; empty when none was chosen. */
  readonly firstRepair: readonly string[];
  readonly probes: number;
  readonly repairs: number;
  /** Bench minutes until the set was right. */
  readonly minutes: Minutes;
  readonly cured: boolean;
  /** What it did to the set on the way, reckoned in minutes. */
  readonly harm: Minutes;
  /** How often the set was switched on, or left on, for a reading though it was known to do what is not done twice. */
  readonly forbidden: number;
  readonly log: readonly LogEntry[];
}

export interface HuntOptions {
  readonly policy: HuntPolicy;
  /** Relative noise of readings. */
  readonly noise: number;
  readonly random: Random;
  /** Chance that a reading is a slip of the hand or the eye. */
  readonly misreads?: number;
  /** Where the advice comes from, if not from one step of looking ahead. */
  readonly advise?: (job: Case) => Advice;
  readonly hourlyRate?: number;
  readonly closed?: ReadonlyMap<string, number>;
  /** Gives the instant of each log entry from the minutes gone by. */
  readonly clock?: (minutes: number) => string;
}

/** Chance of a cure at which someone who follows a list stops measuring. */
const sureEnough = 0.9;
const mostSteps = 150;
/** How often a fault that comes and goes is there when something is read. */
const showsNow = 0.75;
/** From this chance on what a set would do is known well enough to leave it off. */
const known = 0.5;

/** What the owner would tell of a set with some faults: its picture, and the signs that are not as usual. */
export function complaintOf(predictions: Predictions, ...faults: readonly Fault[]): Complaint {
  const seen = predictions.jointly(faults, liveCold);
  const usual = predictions.behaviour(undefined, liveCold);
  return {
    symptoms: [...symptomsOf(seen.picture)],
    signs: Object.fromEntries([...seen.signs].filter(([sign, state]) => usual.signs.get(sign) !== state)),
  };
}

/**
 * Hunts a hidden fault from the owner's account to the cure, answering every probe from the
 * simulated set.
 */
export function hunt(predictions: Predictions, fault: Fault, options: HuntOptions): Hunt {
  const {
    policy,
    random,
    hourlyRate = 20,
    closed = new Map(),
    clock = () => '1970-01-01T00:00:00Z',
    advise = adviseOn,
  } = options;
  const { sheet } = predictions.model;
  const stores = [...sheet.stores.keys()];
  const log: LogEntry[] = [];
  let minutes = 0;
  const record = (body: LogBody) => log.push({ id: `${fault.id}-${log.length}`, at: clock(minutes), body });
  const go = (from: Context, to: Context) => {
    minutes += changeCost(sheet, from, to);
    for (const step of transition(sheet, from, to, () => 1 + Math.round(random() * 30) / 10)) record(step);
  };
  const complaint = complaintOf(predictions, fault);
  let firstRepair: readonly string[] = [];
  let cured = false;
  let probes = 0;
  let repairs = 0;
  let harm = 0;
  let forbidden = 0;
  /** What being live in a context does to the set as it is. */
  const suffer = (from: Context, to: Context, reading: Minutes, bench: BenchState) => {
    if (to.power !== 'live' || bench.repairs.some(({ repair }) => repair.cures.includes(fault.id))) return [];
    const renewed = renewedBy(predictions, new Set(bench.repairs.flatMap(({ repair }) => repair.cures)));
    const harms = harmsOf(predictions.behaviour(fault, to), renewed);
    harm += harmMinutes(harms, minutesOn(from, to, reading));
    return harms;
  };

  for (let step = 0; step < mostSteps && !cured; step += 1) {
    const bench = replay(log, stores);
    const job: Case = { predictions, complaint, bench, closed, hourlyRate };
    const advice = advise(job);
    const next =
      policy === 'tovrik'
        ? advice.next === 'probe'
          ? advice.probes[0]
          : undefined
        : nextOnList(advice.probes, advice.repairs[0]?.chance ?? 0, policy, random, predictions);
    if (next) {
      const { probe } = next;
      const suffered = suffer(bench.context, probe.context, probe.check.minutes, bench);
      if (suffered.some(({ forbids }) => forbids) && (next.harm?.chance ?? 0) > known) forbidden += 1;
      go(bench.context, probe.context);
      minutes += probeCost(probe);
      probes += 1;
      const mended = bench.repairs.some(({ repair }) => repair.cures.includes(fault.id));
      const hidden = fault.appears === 'sometimes' && random() > showsNow;
      const present = mended || hidden ? undefined : fault;
      const answer = answered(predictions.expectation(present, probe.check, probe.context), options);
      record({ kind: 'reading', check: probe.check.id, answer, text: '' });
      continue;
    }
    const repair = advice.repairs[0];
    if (!repair) break;
    if (repairs === 0) firstRepair = repair.action.cures;
    const off = contextFor(asBuilt(bench.context), 'cold');
    go(bench.context, off);
    minutes += repair.action.minutes;
    repairs += 1;
    const { id: action, title, cures, listed, money } = repair.action;
    record({ kind: 'repair', action, title, cures: listed, money, minutes: repair.action.minutes, note: '' });
    // Power it up and look: the result of a repair is seen at once.
    go(off, contextFor({ ...off, warm: false }, 'live'));
    minutes += 2;
    cured = cures.includes(fault.id);
    if (!cured) suffer(off, liveCold, 2, bench);
    const picture = predictions.checks.get('picture')!;
    const answer = answerFrom(
      predictions.expectation(cured ? undefined : fault, picture, liveCold),
      options.noise,
      random,
    );
    record({ kind: 'reading', check: 'picture', answer, text: '' });
  }
  return { fault: fault.id, firstRepair, probes, repairs, minutes, cured, harm, forbidden, log };
}

/** A reading as it comes from the bench: noisy, and now and then a slip. */
function answered(
  expectation: Expectation,
  { noise, random, misreads = 0 }: Pick<HuntOptions, 'noise' | 'random' | 'misreads'>,
): Answer {
  const answer = answerFrom(expectation, noise, random);
  return misreads > 0 && random() < misreads ? misread(answer, expectation, random) : answer;
}

/** The next check of somebody who goes down a list until one repair is nearly sure. */
function nextOnList<T extends { readonly probe: Probe }>(
  open: readonly T[],
  best: number,
  policy: HuntPolicy,
  random: Random,
  predictions: Predictions,
): T | undefined {
  if (best >= sureEnough) return undefined;
  const plain = open.filter(({ probe }) => probe.isolates === undefined);
  if (policy === 'random') return plain[Math.floor(random() * plain.length)];
  const order = [...predictions.checks.keys()];
  return [...plain].sort((a, b) => order.indexOf(a.probe.check.id) - order.indexOf(b.probe.check.id))[0];
}
