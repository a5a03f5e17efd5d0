import { type Predictions } from '../../behaviour';
import { measures } from '../../measure';
import { type Fault } from '../../sheet';
import { type Observation } from './case';
import { likelihood } from './likelihood';
import { type Singles } from './singles';

/** How often what comes and goes is there, from one switching on to the next. */
export const showing = 0.65;

/** A gain beyond this is as good as certain. */
const clamped = (log: number) => Math.max(-40, Math.min(40, log));

/**
 * How likely it is that a set reads the same at another switching on, where what is wrong comes and goes: it is there
 * both times or away both times, or would read as well the other way.
 *
 * @param log by how much likelier the answer is with the fault there than without it
 */
function sameElsewhere(log: number): number {
  const ratio = Math.exp(clamped(log));
  const there = (showing * ratio) / (showing * ratio + 1 - showing);
  return (
    there * (showing + (1 - showing) * Math.min(1, 1 / ratio)) +
    (1 - there) * (1 - showing + showing * Math.min(1, ratio))
  );
}

/**
 * Weighs what was read, one after the other, under one thing that comes and goes: it is drawn once for each switching
 * on or off whether it is there.
 *
 * @returns of an observation, by how much likelier it is than under a set without it, as a logarithm, given what was
 *   weighed before; `gain` is what it would be with the thing there
 */
export function byEpisodes(): (observation: Pick<Observation, 'episode' | 'elsewhere'>, gain: number) => number {
  const gains = new Map<number, number>();
  const mixed = (gain: number) => showing * Math.exp(gain) + 1 - showing;
  return ({ episode = -1, elsewhere }, gain) => {
    const before = gains.get(episode) ?? 0;
    const after = clamped(before + gain);
    gains.set(episode, after);
    return Math.log(mixed(after) / mixed(before)) + (elsewhere > 0 ? elsewhere * Math.log(sameElsewhere(gain)) : 0);
  };
}

/** How likely a touch or a look at parts is that one of them comes and goes; undefined for faults of other parts. */
function underTouch(
  predictions: Predictions,
  { check, context, answer, outlierChance, weight }: Observation,
): ((fault: Fault) => number | undefined) | undefined {
  const { point } = check;
  const { sheet } = predictions.model;
  const way = measures[check.measure];
  if (!point || way.kind === 'number' || !way.ofParts) return undefined;
  const standard = predictions.standard(check, context);
  return ({ part, mode, appears }) => {
    if (appears === 'sometimes' || !point.parts.includes(part)) return undefined;
    const parts = point.parts.map((id) => ({
      id,
      kind: sheet.parts.get(id)!.kind,
      fault: id === part ? { mode, appears: 'sometimes' as const } : undefined,
    }));
    return weight * Math.log(likelihood(answer, way.ofParts!(parts, point.miss), standard, outlierChance));
  };
}

/**
 * Log-likelihood of each observation, given those before it, under faults that come and go: whether one is
 * there is drawn once for each switching on, not for each reading.
 *
 * @param shown by observation, its log-likelihoods under the faults while they are there
 * @returns by observation, in the order of those that fade; and of each the chance that it is there in an episode
 */
export function fadingLogs(
  predictions: Predictions,
  observations: readonly Observation[],
  { faults, fadingPlaces: places }: Singles,
  weighed: readonly { readonly untouched: number }[],
  shown: readonly Float64Array[],
): { readonly logs: Float64Array[]; readonly there: (episode: number) => Float64Array } {
  const count = places.length;
  /** By episode and fault: how much likelier what was seen in it is with the fault there than without, in all. */
  const ratios = new Map<number, Float64Array>();
  const logs = observations.map((observation, o) => {
    const log = new Float64Array(count);
    const { episode, check, cured, elsewhere } = observation;
    const lasting = episode === undefined || 'findsIntermittents' in measures[check.measure];
    let ratio = ratios.get(episode ?? -1);
    if (!lasting && !ratio) ratios.set(episode, (ratio = new Float64Array(count)));
    const absent = weighed[o]!.untouched;
    const present = shown[o]!;
    const touched = lasting ? underTouch(predictions, observation) : undefined;
    for (let f = 0; f < count; f += 1) {
      const place = places[f]!;
      const own = (log[f] = touched?.(faults[place]!) ?? present[place]!);
      if (lasting || own === absent || (cured.size > 0 && cured.has(faults[place]!.id))) continue;
      const before = showing * Math.exp(ratio![f]!) + 1 - showing;
      ratio![f] = clamped(ratio![f]! + own - absent);
      log[f] = absent + Math.log((showing * Math.exp(ratio![f]!) + 1 - showing) / before);
      if (elsewhere > 0) log[f]! += elsewhere * Math.log(sameElsewhere(own - absent));
    }
    return log;
  });
  const chance = (ratio: number) => (showing * Math.exp(ratio)) / (showing * Math.exp(ratio) + 1 - showing);
  return { logs, there: (episode) => (ratios.get(episode) ?? new Float64Array(count)).map(chance) };
}

/** Of what comes and goes, so likely a suspect is worth another try where it would have shown. */
const worthAnotherTry = 0.03;
/** So unlikely it was there when something was read. */
const likelyAway = 0.3;
/** At so many switchings on or off something is read before it counts as said. */
const mostTries = 3;

/** The readings that suspects which come and go would have shown in, had they been there. */
export function readAtRest(
  observations: readonly Observation[],
  { fadingPlaces }: Singles,
  weightOf: (fading: number) => number,
  weighed: readonly { readonly untouched: number }[],
  shown: readonly Float64Array[],
  there: (episode: number) => Float64Array,
): ReadonlySet<string> {
  const likely = [...fadingPlaces.keys()].filter((f) => weightOf(f) > worthAnotherTry);
  return new Set(
    observations.flatMap(({ check, entry, episode, elsewhere }, o) => {
      if (entry === undefined || episode === undefined || elsewhere >= mostTries - 1) return [];
      if ('findsIntermittents' in measures[check.measure]) return [];
      const wasThere = there(episode);
      const shows = (f: number) => shown[o]![fadingPlaces[f]!] !== weighed[o]!.untouched;
      return likely.some((f) => wasThere[f]! < likelyAway && shows(f)) ? [entry] : [];
    }),
  );
}
