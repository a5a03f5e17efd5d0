import { type Predictions } from '../behaviour';
import { type Fault } from '../sheet';
import { type Case, type Observation, observationsOf } from './case';
import { likelihood } from './likelihood';
import { priorOf } from './prior';

/** How one observation bears on one suspect. */
export interface Evidence {
  readonly observation: Observation;
  /** log2 of how much likelier the observation is under this suspect than under the others. */
  readonly bits: number;
}

/** A fault with its probability after all observations. */
export interface Suspect {
  readonly fault: Fault;
  readonly prior: number;
  readonly probability: number;
  /** Has a repair dealt with it? */
  readonly cured: boolean;
}

/** Probabilities of all faults, with what is needed to explain them. */
export interface Posterior {
  /** Likeliest first. */
  readonly suspects: readonly Suspect[];
  readonly observations: readonly Observation[];
  /** Faults in sheet order, with probability and log-likelihoods per observation. */
  readonly faults: readonly Fault[];
  readonly weights: Float64Array;
  readonly logs: readonly Float64Array[];
  readonly cured: ReadonlySet<string>;
}

/** Log-likelihood of an observation under each fault. */
function logLikelihoods(predictions: Predictions, faults: readonly Fault[], observation: Observation): Float64Array {
  const { check, context, cured, answer, carelessness } = observation;
  const standard = predictions.standard(check, context);
  const expected = predictions.row(check, context);
  return Float64Array.from(faults, (fault) => {
    const present = cured.has(fault.id) ? undefined : fault;
    return Math.log(likelihood(answer, expected(present), standard, carelessness));
  });
}

/**
 * The exact posterior over the single faults of the sheet.
 *
 * Each observation is judged in the context in which it was taken; a fault that a repair had
 * cured by then predicts a good set.
 */
export function posteriorOf(job: Case): Posterior {
  const { predictions, bench, closed } = job;
  const faults = [...predictions.model.sheet.faults.values()];
  const observations = observationsOf(job);
  const logs = observations.map((observation) => logLikelihoods(predictions, faults, observation));
  const prior = priorOf(predictions.model.sheet, closed);
  const total = Float64Array.from(faults, (fault) => Math.log(prior.get(fault.id)!));
  for (const log of logs) for (let f = 0; f < total.length; f += 1) total[f]! += log[f]!;
  const most = total.reduce((best, value) => Math.max(best, value), -Infinity);
  const weights = total.map((value) => Math.exp(value - most));
  const sum = weights.reduce((all, weight) => all + weight, 0);
  for (let f = 0; f < weights.length; f += 1) weights[f]! /= sum;
  const cured = new Set(bench.repairs.flatMap(({ repair }) => repair.cures));
  const suspects = faults
    .map((fault, index): Suspect => ({
      fault,
      prior: prior.get(fault.id)!,
      probability: weights[index]!,
      cured: cured.has(fault.id),
    }))
    .sort((a, b) => b.probability - a.probability);
  return { suspects, observations, faults, weights, logs, cured };
}

/** Evidence under this size does not bear mentioning. */
const mentionable = 0.3;

/**
 * The observations that raised or lowered a suspect, strongest first, each against the average
 * of the other suspects weighted by their probability without that observation.
 */
export function evidenceFor(posterior: Posterior, faultId: string): Evidence[] {
  const { faults, weights, logs, observations } = posterior;
  const index = faults.findIndex((fault) => fault.id === faultId);
  if (index < 0) return [];
  return observations
    .map((observation, o): Evidence => {
      const log = logs[o]!;
      let others = 0;
      let mass = 0;
      for (let f = 0; f < faults.length; f += 1) {
        if (f === index) continue;
        // The weight before this observation: divided by what it contributed.
        const before = Math.exp(Math.log(weights[f]! + 1e-300) - log[f]!);
        mass += before;
        others += before * Math.exp(log[f]!);
      }
      const average = mass > 0 ? others / mass : 1;
      return { observation, bits: (log[index]! - Math.log(average + 1e-300)) / Math.LN2 };
    })
    .filter(({ bits }) => Math.abs(bits) >= mentionable)
    .sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits));
}
