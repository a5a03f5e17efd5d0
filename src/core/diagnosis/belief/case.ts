import { dealtWith } from '../../repair';
import { type BenchState, type Soaked } from '../../log';
import { type Answer, measures, type SignState } from '../../measure';
import {
  asBuilt,
  blinkConditions,
  type Check,
  type Context,
  contextKey,
  liveCold,
  type Predictions,
} from '../../behaviour';
import { type Manner, mannerTitles, type Symptom } from '../../picture';
import { usualOutlierChance } from './likelihood';
import { soakText } from './soaked';
import { agree } from './standing';

/** What was said or seen when the set was taken in. */
export interface Complaint {
  readonly symptoms: readonly Symptom[];
  readonly signs: Readonly<Record<string, SignState>>;
  /** How it shows, where somebody said so. */
  readonly manner?: Manner | undefined;
}

/** All that is known of a set on the bench. */
export interface Case {
  readonly predictions: Predictions;
  readonly complaint: Complaint;
  readonly bench: BenchState;
  /** Closed jobs of the same sheet in this shop, by fault id. */
  readonly closed: ReadonlyMap<string, number>;
  /** What an hour of bench time is worth, in the shop's money. */
  readonly hourlyRate: number;
}

/** One answer with everything that decides what it should have been. */
export interface Observation {
  readonly check: Check;
  readonly answer: Answer;
  readonly context: Context;
  readonly cured: ReadonlySet<string>;
  readonly outlierChance: number;
  /** How many readings in the same circumstances say the same. */
  readonly times: number;
  /** What it weighs against a single reading: a second look at what is easily missed tells almost as much again. */
  readonly weight: number;
  /** What it says, where it is no reading of a check. */
  readonly words?: string;
  /** The log entry it came from; absent for what the owner said. */
  readonly entry?: string;
  /** Which switching on or off it belongs to; absent for what the owner said. */
  readonly episode?: number;
  /** At how many earlier switchings on or off the same was read. */
  readonly elsewhere: number;
  /** It was read otherwise at a later switching on or off: there is no need to ask whether it was a slip. */
  readonly readSince?: true;
  /** The first reading that said the same before the last repairs, and how often it has been borne out after others of them. */
  readonly standing?: { readonly first: Observation; readonly borneOut: number };
}

/** An owner's account is taken with more doubt than a reading. */
const ownersOutlierChance = 0.12;

const nobodyCured: ReadonlySet<string> = new Set();

/** What a second look, press or swap of the same tells, against the first. */
const secondLook = 0.7;
/** From this chance to miss what is there, a second look is worth its minutes. */
const easilyMissed = 0.1;

/** Is it a look, a press or a try with heat that may have missed what is there? */
export function mayMiss({ point }: Check): boolean {
  if (!point) return false;
  const way = measures[point.measure];
  return way.kind !== 'number' && way.ofPlace === true && point.miss >= easilyMissed;
}

/**
 * The observations of a case: the owner's account, then readings. Of several readings of one
 * check in the same circumstances the latest counts, and what it read otherwise at an earlier switching on or off;
 * one that a second reading bore out is hardly a slip.
 */
export function observationsOf({ predictions, complaint, bench }: Case): Observation[] {
  const told: Observation[] = [];
  const owner = {
    // What shows only once the set is warm was seen on a warm set.
    context: complaint.manner === 'warm' ? { ...liveCold, warm: true } : liveCold,
    cured: nobodyCured,
    outlierChance: ownersOutlierChance,
    times: 1,
    weight: 1,
    elsewhere: 0,
  };
  const picture = predictions.checks.get('picture');
  if (picture && complaint.symptoms.length > 0)
    told.push({ ...owner, check: picture, answer: { kind: 'picture', symptoms: complaint.symptoms } });
  for (const [sign, state] of Object.entries(complaint.signs)) {
    const check = predictions.checks.get(sign);
    if (check?.measure === 'sign') told.push({ ...owner, check, answer: { kind: 'choice', choice: state } });
  }
  const latest = new Map<string, Observation>();
  /** By check and context the first reading that says what the latest does, and after how many repairs it was read. */
  const standingAt = new Map<string, { readonly first: Observation; readonly stages: number[] }>();
  const cured = curedAfter(predictions, bench);
  for (const { check: id, answer, context, entry, afterRepairs, episode, text: said } of bench.readings) {
    const check = predictions.checks.get(id);
    if (!check || isUnknownCode(predictions, check, answer)) continue;
    const key = circumstance(id, context, afterRepairs);
    const earlierReading = latest.get(key);
    const changed =
      earlierReading !== undefined && earlierReading.episode !== episode && !agree(earlierReading.answer, answer);
    // What a set reads at one switching on and no longer at another is no slip put right: both count.
    if (changed) latest.set(`${key}@${earlierReading.episode}`, { ...earlierReading, readSince: true });
    const before = changed ? undefined : earlierReading;
    // Who says that nothing has changed has looked twice.
    const again = said === 'no change' ? 2 : 1;
    const times = before && agree(before.answer, answer) ? before.times + again : again;
    const place = circumstance(id, context, 0);
    const known = standingAt.get(place);
    const chain = known && agree(known.first.answer, answer) && !mayMiss(check) ? known : undefined;
    const earlier = chain?.stages.filter((stage) => stage < afterRepairs).length ?? 0;
    const observation: Observation = {
      check,
      answer,
      context,
      cured: cured[afterRepairs]!,
      outlierChance: mayMiss(check) ? usualOutlierChance : usualOutlierChance ** Math.min(times, 2),
      times,
      weight: mayMiss(check) && times > 1 ? 1 + secondLook : 1,
      entry: entry.id,
      episode,
      elsewhere: before && times > again ? before.elsewhere + (before.episode === episode ? 0 : 1) : 0,
      ...(chain && earlier > 0 ? { standing: { first: chain.first, borneOut: earlier - 1 } } : {}),
    };
    if (chain && earlier > 0) chain.stages.push(afterRepairs);
    else standingAt.set(place, { first: observation, stages: [afterRepairs] });
    latest.delete(key);
    latest.set(key, observation);
  }
  return [...told, ...mainsSaid(predictions, bench), ...latest.values()];
}

/** What is no reading of a check is told of the set as a whole. */
const wholeSet: Check = {
  id: 'said',
  measure: 'sign',
  title: 'What was said of it',
  where: '',
  unit: '',
  state: 'live',
  ground: 'none',
  minutes: 0,
  danger: 0,
  aliases: [],
};

const said = (words: string): Observation => ({
  check: wholeSet,
  answer: { kind: 'choice', choice: 'yes' },
  words,
  context: liveCold,
  cured: nobodyCured,
  outlierChance: ownersOutlierChance,
  times: 1,
  weight: 1,
  elsewhere: 0,
});

/** How it shows as the owner told it, as an observation of its own. */
export const mannerSaid = (manner: Manner): Observation => said(mannerTitles[manner]);

/** What a soak came to, as an observation of its own. */
export const soakSaid = (soaked: Soaked): Observation => said(soakText(soaked));

/** Faults that were dealt with after so many repairs, from none to all of them. */
export function curedAfter(
  { model: { sheet } }: Predictions,
  { repairs }: Pick<BenchState, 'repairs'>,
): ReadonlySet<string>[] {
  const cured: ReadonlySet<string>[] = [nobodyCured];
  for (const { repair } of repairs) cured.push(new Set([...cured[cured.length - 1]!, ...dealtWith(sheet, repair)]));
  return cured;
}

/** A count of blinks that the sheet does not list: a code whose meaning nobody has written down, and no misreading. */
function isUnknownCode({ model: { sheet } }: Predictions, { measure }: Check, answer: Answer): boolean {
  const count = measure === 'blinks' && answer.kind === 'choice' ? Number(answer.choice) : 0;
  return count > 0 && blinkConditions(sheet, count).length === 0;
}

/** What the mains is anywhere, in volts. */
const usualMains = [100, 110, 117, 120, 127, 220, 230, 240];

/** The mains as it was measured, against the nearest that there is anywhere: 117 V is no weak 230 V. */
function mainsSaid({ checks, model: { sheet } }: Predictions, { mains, context }: BenchState): Observation[] {
  const check = [...checks.values()].find(({ point, measure }) => point?.net === 'mains' && measure === 'ac');
  if (mains === undefined || !check) return [];
  const nearest = usualMains.reduce((best, one) => (Math.abs(one - mains) < Math.abs(best - mains) ? one : best));
  const value = sheet.nets.get('mains')!.volts * (mains / nearest);
  return [
    {
      check,
      answer: { kind: 'number', value, shape: 'settled' },
      context: { ...asBuilt(context), power: 'live' },
      cured: nobodyCured,
      outlierChance: usualOutlierChance,
      times: 1,
      weight: 1,
      elsewhere: 0,
    },
  ];
}

/** The same check in the same circumstances. */
export function circumstance(check: string, context: Context, repairs: number): string {
  return `${check}@${contextKey(context)}@${repairs}`;
}
