import { type Context, contextKey, type Predictions } from '../../behaviour';
import { type Minutes } from '../../quantity';
import { type Harm, harmMinutes, harmsOf, minutesOn } from '../../safety';
import { type Fault } from '../../sheet';
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

/** A fault that comes and goes shows at so much of the times the set is switched on. */
const shows = 0.5;

const shareOf = ({ appears }: Fault) => (appears === 'sometimes' ? shows : 1);

/** Parts that a repair put right: a fuse among them is whole again. */
export const renewedBy = (predictions: Predictions, cured: ReadonlySet<string>): ReadonlySet<string> =>
  new Set([...cured].flatMap((id) => predictions.model.sheet.faults.get(id)?.part ?? []));

/** Harm of being live in a context for some minutes, by set of faults. */
export function harmBy(
  predictions: Predictions,
  sets: readonly (readonly Fault[])[],
  renewed: ReadonlySet<string>,
  context: Context,
  on: Minutes,
): Float64Array {
  return Float64Array.from(sets, (faults) =>
    Math.max(
      ...faults.map(
        (fault) => shareOf(fault) * harmMinutes(harmsOf(predictions.behaviour(fault, context), renewed), on),
      ),
    ),
  );
}

/** How likely it is that being live in a context does what forbids it, by the weights of sets of faults. */
export function forbiddenChance(
  predictions: Predictions,
  sets: readonly (readonly Fault[])[],
  weights: Float64Array,
  context: Context,
): number {
  let chance = 0;
  sets.forEach((faults, index) => {
    const most = Math.max(
      ...faults.map((fault) =>
        harmsOf(predictions.behaviour(fault, context)).some(({ forbids }) => forbids) ? shareOf(fault) : 0,
      ),
    );
    chance += weights[index]! * most;
  });
  return chance;
}

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

/** What may be wrong with a set, by how likely it is, and the fuses that are new in it. */
export interface Endangered {
  readonly predictions: Predictions;
  readonly sets: readonly (readonly Fault[])[];
  readonly weights: Float64Array;
  /** How likely it is that any of it is still wrong. */
  readonly mass: number;
  readonly renewed: ReadonlySet<string>;
}

/**
 * What weighs most of the harm of being live in a context, said; undefined where it comes to less than is
 * worth saying.
 *
 * @param on minutes that the set is live
 */
export function expectedHarm(
  { predictions, sets, weights, mass, renewed }: Endangered,
  context: Context,
  on: Minutes,
): ExpectedHarm | undefined {
  if (context.power !== 'live') return undefined;
  const kinds = new Map<Harm['kind'], { minutes: number; chance: number; most: number; reason: string }>();
  let minutes = 0;
  sets.forEach((faults, index) => {
    const seen = new Set<Harm['kind']>();
    for (const fault of faults)
      for (const harm of harmsOf(predictions.behaviour(fault, context), renewed)) {
        if (seen.has(harm.kind)) continue;
        seen.add(harm.kind);
        const weight = mass * weights[index]! * shareOf(fault);
        const own = weight * harmMinutes([harm], on);
        minutes += own;
        const kind = kinds.get(harm.kind) ?? { minutes: 0, chance: 0, most: 0, reason: harm.reason };
        kinds.set(harm.kind, {
          minutes: kind.minutes + own,
          chance: kind.chance + weight,
          ...(own > kind.most ? { most: own, reason: harm.reason } : { most: kind.most, reason: kind.reason }),
        });
      }
  });
  const [worst] = [...kinds].sort(([, a], [, b]) => b.minutes - a.minutes);
  if (!worst || minutes < leastSaid) return undefined;
  const [kind, { chance, reason }] = worst;
  return { minutes, kind, reason, chance };
}

/** Harm of less is not worth a word, in minutes. */
const leastSaid = 0.2;
