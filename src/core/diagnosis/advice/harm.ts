import { type Context, contextKey, type Predictions } from '../../behaviour';
import { type Minutes } from '../../quantity';
import { type Harm, harmMinutes, harmsOf, minutesOn } from '../../safety';
import { type Fault } from '../../sheet';
import { sumOf } from '../../statistics';
import { showing } from '../belief';
import { type Probe } from './probes';

/** What a probe is expected to do to the set or to whoever makes it. */
export interface ExpectedHarm {
  /** Reckoned in minutes of bench time, over all that may be wrong. */
  readonly minutes: Minutes;
  /** What weighs most of it. */
  readonly kind: Harm['kind'];
  readonly reason: string;
  /** How likely that is. */
  readonly chance: number;
}

/** At so many of the times that the set is switched on a fault is there. */
const shareOf = ({ appears }: Fault) => (appears === 'sometimes' ? showing : 1);

/** Parts that a repair put right: a fuse among them is whole again. */
export const renewedBy = (predictions: Predictions, cured: ReadonlySet<string>): ReadonlySet<string> =>
  new Set([...cured].flatMap((id) => predictions.model.sheet.faults.get(id)?.part ?? []));

/** What a set of faults that does harm does: each of its faults, with how often it shows. */
interface Harmful {
  /** Its place among the sets. */
  readonly set: number;
  readonly faults: readonly { readonly share: number; readonly harms: readonly Harm[] }[];
}

/** The sets of faults that do harm where a set is live in a context. */
export type HarmfulIn = (context: Context) => readonly Harmful[];

/**
 * Which of some sets of faults do harm, worked out once for each context that is asked for.
 *
 * @param renewed parts that a repair put right
 */
export function harmfulAmong(
  predictions: Predictions,
  sets: readonly (readonly Fault[])[],
  renewed: ReadonlySet<string>,
): HarmfulIn {
  const found = byContext((context) => {
    const harmful: Harmful[] = [];
    sets.forEach((faults, set) => {
      const doing: Harmful['faults'][number][] = [];
      for (const fault of faults) {
        const harms = harmsOf(predictions.behaviour(fault, context), renewed);
        if (harms.length > 0) doing.push({ share: shareOf(fault), harms });
      }
      if (doing.length > 0) harmful.push({ set, faults: doing });
    });
    return harmful;
  });
  return (context) => (context.power === 'live' ? found(context, 0) : []);
}

/** Harm of being live for some minutes, by set of faults. */
export function harmBy(harmful: readonly Harmful[], sets: number, on: Minutes): Float64Array {
  const harm = new Float64Array(sets);
  for (const { set, faults } of harmful)
    harm[set] = Math.max(...faults.map(({ share, harms }) => share * harmMinutes(harms, on)));
  return harm;
}

/** How likely it is that being live does what forbids it, by the weights of sets of faults. */
export const forbiddenChance = (harmful: readonly Harmful[], weights: Float64Array): number =>
  sumOf(
    harmful,
    ({ set, faults }) =>
      weights[set]! * Math.max(...faults.map(({ share, harms }) => (harms.some(({ forbids }) => forbids) ? share : 0))),
  );

/** What is worked out of a context and minutes in it, worked out once for all probes that share them. */
export function byContext<T>(workOut: (context: Context, on: Minutes) => T): (context: Context, on: Minutes) => T {
  const known = new Map<string, T>();
  return (context, on) => {
    const key = `${context.power}@${contextKey(context)}@${on}`;
    if (!known.has(key)) known.set(key, workOut(context, on));
    return known.get(key)!;
  };
}

/** Minutes that a set is on for a probe from a context of the bench. */
export const probeMinutesOn = (here: Context, { check, context }: Pick<Probe, 'check' | 'context'>): Minutes =>
  minutesOn(here, context, check.minutes);

/**
 * What weighs most of the harm of being live, said; undefined where it comes to less than is worth saying.
 *
 * @param weights of the sets of faults
 * @param mass how likely it is that any of them is still wrong
 * @param on minutes that the set is live
 */
export function expectedHarm(
  harmful: readonly Harmful[],
  { weights, mass }: { readonly weights: Float64Array; readonly mass: number },
  on: Minutes,
): ExpectedHarm | undefined {
  const kinds = new Map<Harm['kind'], { minutes: number; chance: number; most: number; reason: string }>();
  let minutes = 0;
  for (const { set, faults } of harmful) {
    const seen = new Set<Harm['kind']>();
    for (const { share, harms } of faults)
      for (const harm of harms) {
        if (seen.has(harm.kind)) continue;
        seen.add(harm.kind);
        const weight = mass * weights[set]! * share;
        const own = weight * harmMinutes([harm], on);
        minutes += own;
        const kind = kinds.get(harm.kind) ?? { minutes: 0, chance: 0, most: 0, reason: harm.reason };
        kinds.set(harm.kind, {
          minutes: kind.minutes + own,
          chance: kind.chance + weight,
          ...(own > kind.most ? { most: own, reason: harm.reason } : { most: kind.most, reason: kind.reason }),
        });
      }
  }
  const [worst] = [...kinds].sort(([, a], [, b]) => b.minutes - a.minutes);
  if (!worst || minutes < leastSaid) return undefined;
  const [kind, { chance, reason }] = worst;
  return { minutes, kind, reason, chance };
}

/** Harm of less is not worth a word, in minutes. */
const leastSaid = 0.2;
