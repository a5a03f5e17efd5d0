import { sumOf } from '../../statistics';
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
    const log = logs[o]!;
    // All weights as they would be without the observation, scaled so that nothing overflows.
    const smallest = log.reduce((min, value) => Math.min(min, value), Infinity);
    let all = 0;
    for (let h = 0; h < hypotheses.length; h += 1) all += weights[h]! * Math.exp(smallest - log[h]!);
    const without = sumOf(alike, (h) => weights[h]! * Math.exp(smallest - log[h]!)) / all;
    if (without < least) [least, found] = [without, observation];
  });
  return found;
}

/** Evidence under this size does not bear mentioning. */
const mentionable = 0.3;

/**
 * Gives the observations that raised or lowered a suspect, strongest first, each against the average
 * of the other hypotheses weighted by their probability without that observation.
 */
export function evidenceIn({ hypotheses, weights, logs, observations }: Posterior): (faultId: string) => Evidence[] {
  // The weights before each observation: divided by what it contributed.
  const before = logs.map((log) => weights.map((weight, h) => (weight + 1e-300) / Math.exp(log[h]!)));
  return (faultId) => {
    const isOf = Uint8Array.from(hypotheses, ({ faults }) =>
      faults.some(({ id, degreeOf }) => id === faultId || degreeOf === faultId) ? 1 : 0,
    );
    // A fault is explained by the likeliest hypothesis it is part of.
    let index = -1;
    let others = 0;
    for (let h = 0; h < isOf.length; h += 1)
      if (isOf[h] === 0) others += weights[h]!;
      else if (index < 0 || weights[h]! > weights[index]!) index = h;
    if (index < 0) return [];
    return observations
      .map((observation, o): Evidence => {
        let mass = 0;
        for (let h = 0; h < isOf.length; h += 1) if (isOf[h] === 0) mass += before[o]![h]!;
        const average = mass > 0 ? others / mass : 1;
        return { observation, bits: (logs[o]![index]! - Math.log(average + 1e-300)) / Math.LN2 };
      })
      .filter(({ bits }) => Math.abs(bits) >= mentionable)
      .sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits));
  };
}
