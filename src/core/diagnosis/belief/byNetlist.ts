import { type InsideEvidence } from '../../inside';
import { type Predictions } from '../../behaviour';
import { sumOf } from '../../statistics';
import { type Observation } from './case';
import { likelihood, misplacedLikelihood } from './likelihood';
import { type Hypothesis } from './hypothesis';

/** Log-likelihood of an observation of a good set, by its sheet. */
export function soundLog(
  predictions: Predictions,
  { check, context, answer, outlierChance, weight }: Observation,
): number {
  const good = predictions.row(check, context)(undefined);
  const standard = predictions.standard(check, context);
  const misplaced = misplacedLikelihood(answer, good, standard);
  return weight * Math.log(likelihood(answer, good, standard, outlierChance) + misplaced);
}

/**
 * What netlists say as it stands beside the sheet: where the sheet lets a sound block read what was read sooner than
 * its netlist does, no fault in the block gains more by the netlist than it would by that.
 */
export function besideSheet(
  predictions: Predictions,
  inside: readonly InsideEvidence[],
  observations: readonly Observation[],
): readonly InsideEvidence[] {
  return inside.map((evidence) => {
    const judged = observations.filter(({ entry }) => entry !== undefined && evidence.entries.has(entry));
    const surer = sumOf(judged, (observation) => soundLog(predictions, observation)) - evidence.sound;
    if (judged.length < evidence.entries.size || surer <= 0) return evidence;
    return { ...evidence, advantages: new Map([...evidence.advantages].map(([id, log]) => [id, log - surer])) };
  });
}

/** The logarithm of the mean of two likelihoods, from their logarithms. */
export function evenly(one: number, other: number): number {
  const most = Math.max(one, other);
  return most + Math.log((Math.exp(one - most) + Math.exp(other - most)) / 2);
}

/** Log-likelihood, under each hypothesis, of what was read inside blocks and is no observation of the sheet. */
export function insideLogs(
  inside: readonly InsideEvidence[],
  hypotheses: readonly Hypothesis[],
  observations: readonly Observation[],
): Float64Array {
  if (inside.length === 0) return new Float64Array(hypotheses.length);
  const observed = new Set(observations.flatMap(({ entry }) => (entry === undefined ? [] : [entry])));
  const shares = inside.map(
    ({ entries }) => [...entries].filter((entry) => !observed.has(entry)).length / entries.size,
  );
  return Float64Array.from(hypotheses, ({ faults }) =>
    inside.reduce((sum, { advantages }, index) => {
      const judged = faults.find(({ id }) => advantages.has(id));
      return judged ? sum + shares[index]! * advantages.get(judged.id)! : sum;
    }, 0),
  );
}
