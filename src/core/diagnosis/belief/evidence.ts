import { sum, sumOf } from '../../statistics';
import { type Observation } from './case';
import { type Posterior } from './posterior';

/** How one observation bears on one suspect. */
export interface Evidence {
  readonly observation: Observation;
  /** log2 of how much likelier the observation is under this suspect than under the others. */
  readonly bits: number;
}

/**
 * The reading on which the leading suspect rests alone: without it the suspect, in whatever degree, would lose at
 * least half its probability. Undefined where several bear it out, or a repetition has.
 */
export function restsOn({ hypotheses, weights, logs, observations }: Posterior): Observation | undefined {
  let leader = 0;
  weights.forEach((weight, h) => {
    if (weight > weights[leader]!) leader = h;
  });
  // A fault that fails by degree is the fault that it is.
  const leading = new Set(hypotheses[leader]!.faults.map(({ id, degreeOf = id }) => degreeOf));
  const alike = hypotheses.flatMap(({ faults }, h) =>
    faults.length === leading.size && faults.every(({ id, degreeOf = id }) => leading.has(degreeOf)) ? [h] : [],
  );
  let found: Observation | undefined;
  let least = sumOf(alike, (h) => weights[h]!) / 2;
  observations.forEach((observation, o) => {
    if (observation.entry === undefined || observation.times > 1) return;
    const { each, all } = withoutIt(weights, logs[o]!);
    const without = sumOf(alike, (h) => each[h]!) / all;
    if (without < least) [least, found] = [without, observation];
  });
  return found;
}

/** All weights as they would be without an observation, but for a factor of exp(`scale`) so that nothing overflows, and their sum. */
function withoutIt(weights: Float64Array, log: Float64Array) {
  let scale = Infinity;
  for (const value of log) if (value < scale) scale = value;
  const each = new Float64Array(weights.length);
  let all = 0;
  for (let h = 0; h < each.length; h += 1) all += each[h] = (weights[h]! + 1e-300) * Math.exp(scale - log[h]!);
  return { each, all, scale };
}

/** Evidence under this size does not bear mentioning. */
const mentionable = 0.3;

/**
 * Gives the observations that raised or lowered a suspect, strongest first, each against the average
 * of the other hypotheses weighted by their probability without that observation.
 */
export function evidenceIn({
  hypotheses,
  weights,
  logs,
  observations,
}: Pick<Posterior, 'hypotheses' | 'weights' | 'logs' | 'observations'>): (faultId: string) => Evidence[] {
  const before = logs.map((log) => withoutIt(weights, log));
  return (faultId) => {
    const own = hypotheses.flatMap(({ faults }, h) =>
      faults.some(({ id, degreeOf }) => id === faultId || degreeOf === faultId) ? [h] : [],
    );
    if (own.length === 0) return [];
    // A fault is explained by the likeliest hypothesis it is part of.
    const index = own.reduce((best, h) => (weights[h]! > weights[best]! ? h : best));
    const others = massBeside(own, weights, sum(weights));
    return observations
      .map((observation, o): Evidence => {
        const { each, all, scale } = before[o]!;
        const average = Math.log(others / massBeside(own, each, all) + 1e-300) + scale;
        return { observation, bits: (logs[o]![index]! - average) / Math.LN2 };
      })
      .filter(({ bits }) => Math.abs(bits) >= mentionable)
      .sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits));
  };
}

/** Under this share of the whole, what is beside would be lost in rounding if it were found by taking away. */
const lostFrom = 1e-6;

/** What all weights but some come to. */
function massBeside(some: readonly number[], weights: Float64Array, all: number): number {
  const rest = all - sumOf(some, (h) => weights[h]!);
  if (rest > lostFrom * all) return rest;
  const beside = weights.slice();
  for (const h of some) beside[h] = 0;
  return sum(beside);
}
