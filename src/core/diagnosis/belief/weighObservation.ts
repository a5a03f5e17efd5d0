import { type Predictions, withIntervention } from '../../behaviour';
import { type Expectation } from '../../measure';
import { type InsideEvidence } from '../../inside';
import { type Fault } from '../../sheet';
import { evenly, soundLog } from './byNetlist';
import { type Observation } from './case';
import { likelihood, misplacedLikelihood, outlierLikelihood } from './likelihood';
import { type BadDonor, type Hypothesis } from './hypothesis';
import { type Singles } from './singles';
import { likelihoodOfStanding } from './standing';

/** How an observation bears on hypotheses. */
export interface Weighed {
  /** Its log-likelihood under one. */
  logOf(hypothesis: Hypothesis): number;
  /** Its log-likelihood under each single fault while it lasts, in sheet order. */
  ofSingles(singles: Singles): Float64Array;
  /** Its log-likelihood where none of the faults touches it, and so under a good set. */
  readonly untouched: number;
  /** Its likelihood as an outlier: where no fault touches it, its point may be misplaced besides. */
  readonly asOutlier: number;
  readonly asOutlierUntouched: number;
}

/**
 * Weighs an observation under hypotheses: in the context in which it was taken, without the faults that
 * repairs had dealt with by then, and where a netlist judges it by that as well.
 */
export function weighObservation(
  predictions: Predictions,
  inside: readonly InsideEvidence[],
  observation: Observation,
): Weighed {
  const { check, context, cured, answer, outlierChance, weight, entry, standing } = observation;
  const standard = predictions.standard(check, context);
  const row = predictions.row(check, context);
  const good = row(undefined);
  const misplaced = misplacedLikelihood(answer, good, standard);
  const evidence = inside.find(({ entries }) => entry !== undefined && entries.has(entry));
  // Most faults leave most checks alone: they share one expectation, weighed once.
  const weighed = new Map<Expectation, number>([[good, soundLog(predictions, observation)]]);
  const expectedOf = (faults: readonly Fault[]) =>
    faults.length > 1 ? predictions.expectationOf(faults, check, context) : row(faults[0]);
  const toldBy = (expected: Expectation) => {
    let log = weighed.get(expected);
    if (log === undefined)
      weighed.set(expected, (log = weight * Math.log(likelihood(answer, expected, standard, outlierChance))));
    return log;
  };
  const told = (faults: readonly Fault[]) => toldBy(expectedOf(faults));
  const stood = new Map<Expectation, number>();
  /** As told; where the same was read before, and what was put right since leaves the check alone, as a repetition. */
  const toldAgain = (faults: readonly Fault[], before: readonly Fault[]) => {
    const expected = expectedOf(faults);
    if (!standing || (before.length > faults.length && expectedOf(before) !== expected)) return toldBy(expected);
    let log = stood.get(expected);
    if (log === undefined) {
      const { first, borneOut } = standing;
      const again = likelihoodOfStanding(first, borneOut, expected, standard, Math.exp(toldBy(expected)));
      stood.set(expected, (log = Math.log(again)));
    }
    return log;
  };
  /** With a bad donor’s board in place of the set’s own, and whatever is wrong with the rest. */
  const withDonor = (present: readonly Fault[], { board, fault }: BadDonor) => {
    const { parts } = predictions.model.sheet;
    const rest = present.filter(({ part }) => parts.get(part)?.board !== board);
    return toldBy(
      predictions.expectationOf([...rest, fault], check, withIntervention(context, 'donors', board, false)),
    );
  };
  const logOf = ({ faults, despite, donor }: Hypothesis) => {
    const present = cured.size > 0 && !despite ? faults.filter(({ id }) => !cured.has(id)) : faults;
    if (donor && context.donors.includes(donor.board)) return withDonor(present, donor);
    // Where a netlist judges the reading, it is against how a block without the fault would give it.
    const judged = evidence && present.find(({ id }) => evidence.advantages.has(id));
    const then = standing && !despite ? faults.filter(({ id }) => !standing.first.cured.has(id)) : faults;
    const bySheet = toldAgain(present, then);
    if (!judged) return bySheet;
    const byNetlist =
      told(present.filter((fault) => fault !== judged)) + evidence.advantages.get(judged.id)! / evidence.entries.size;
    // A set may fail as its sheet says as well as by its netlist.
    return evenly(byNetlist, bySheet);
  };
  const ofSingles = ({ faults, lasting }: Singles) => {
    if (standing) return Float64Array.from(lasting, logOf);
    const { kinds, expectations } = predictions.kindsOf(check, context);
    const ofKinds = Float64Array.from(expectations, toldBy);
    const logs = new Float64Array(faults.length);
    for (let place = 0; place < logs.length; place += 1) logs[place] = ofKinds[kinds[place]!]!;
    const asked = [...cured, ...(evidence?.advantages.keys() ?? [])];
    for (const fault of asked.flatMap((id) => predictions.model.sheet.faults.get(id) ?? [])) {
      const place = predictions.placeOf(fault);
      logs[place] = logOf(lasting[place]!);
    }
    return logs;
  };
  const outlier = outlierLikelihood(answer, standard, outlierChance);
  return {
    logOf,
    ofSingles,
    untouched: toldAgain([], []),
    asOutlier: outlier ** weight,
    asOutlierUntouched: (outlier + misplaced) ** weight,
  };
}
