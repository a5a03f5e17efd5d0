import { joined, sum, sumOf } from '../../statistics';
import { alikeTogether, grown, mostTogether, type Thought, type SuspectSet, suspectSets } from './several';
import { insideEvidence } from '../../inside';
import { type BenchState } from '../../log';
import { dealtWith } from '../../repair';
import { type Predictions } from '../../behaviour';
import { type Fault, type Sheet } from '../../sheet';
import { besideSheet, insideLogs } from './byNetlist';
import { badDonors } from './badDonors';
import { type Case, curedAfter, mannerSaid, type Observation, observationsOf, soakSaid } from './case';
import { fadingLogs, readAtRest } from './fading';
import { leftovers } from './leftover';
import { mannerLogs } from './manner';
import { type Hypothesis } from './hypothesis';
import { pairsToTry } from './pairs';
import { priorOf } from './prior';
import { priorsOfSingles, singlesOf } from './singles';
import { soakLogs } from './soaked';
import { type Weighed, weighObservation } from './weighObservation';

/** A fault with its probability after all observations, alone or beside another. */
export interface Suspect {
  readonly fault: Fault;
  readonly prior: number;
  readonly probability: number;
  /** Has a repair dealt with it? */
  readonly cured: boolean;
}

/** A reading that speaks against all the others. */
export interface Doubt {
  readonly observation: Observation;
  /** Chance that it is an outlier, after all observations. */
  readonly chance: number;
}

/** Probabilities of what may be wrong, with what is needed to explain them. */
export interface Posterior {
  /** Likeliest first. */
  readonly suspects: readonly Suspect[];
  /** Likeliest first; empty where one fault explains what was seen. */
  readonly together: readonly SuspectSet[];
  /** Doubtful readings, the most doubtful first. */
  readonly doubts: readonly Doubt[];
  readonly observations: readonly Observation[];
  /** Single faults in sheet order, then pairs and what is beside them, with probability and log-likelihoods per observation. */
  readonly hypotheses: readonly Hypothesis[];
  readonly weights: Float64Array;
  readonly logs: readonly Float64Array[];
  readonly cured: ReadonlySet<string>;
  /** Chance that what is wrong comes and goes, and is not there as the set stands now. */
  readonly dormant: number;
  /** Log entries of readings that a likely suspect would have shown in, had it been there: it comes and goes, and was away. */
  readonly atRest: ReadonlySet<string>;
  /** Of each board that a donor’s was tried for, how likely that one is bad itself. */
  readonly badDonors: ReadonlyMap<string, number>;
}

/** A reading is named as doubtful from this chance of being an outlier. */
export const doubtful = 0.5;

/** Sums log-priors and log-likelihoods into probabilities. */
function weigh(priors: Float64Array, logs: readonly Float64Array[]): Float64Array {
  const total = priors.slice();
  for (const log of logs) for (let h = 0; h < total.length; h += 1) total[h]! += log[h]!;
  const most = total.reduce((best, value) => Math.max(best, value), -Infinity);
  const weights = total.map((value) => Math.exp(value - most));
  const all = sum(weights);
  return weights.map((weight) => weight / all);
}

/** Hypotheses as unlikely as this say nothing of how likely a slip is. */
const hardlyAny = 1e-12;

/** Chance of each observation to be an outlier. */
function outlierChances(weighed: readonly Weighed[], weights: Float64Array, logs: readonly Float64Array[]): number[] {
  return weighed.map(({ untouched, asOutlier, asOutlierUntouched }, o) => {
    const log = logs[o]!;
    let chance = 0;
    for (let h = 0; h < weights.length; h += 1) {
      if (weights[h]! < hardlyAny) continue;
      const slipped = log[h] === untouched ? asOutlierUntouched : asOutlier;
      chance += weights[h]! * Math.min(1, slipped / Math.exp(log[h]!));
    }
    return chance;
  });
}

/** Chance that a repair leaves its fault as it was: a bad new part, a poor joint, a fault not found in a search. */
const failing: Partial<Readonly<Record<string, number>>> = { trace: 0.15, follow: 0.15, swap: 0.06 };
const usuallyFailing = 0.03;

/** Faults that repairs have dealt with, with the chance that they are there all the same. */
function failedRepairs(sheet: Sheet, { repairs }: BenchState): { readonly fault: Fault; readonly chance: number }[] {
  const chances = new Map<string, number>();
  for (const { repair } of repairs)
    for (const id of dealtWith(sheet, repair))
      chances.set(id, (chances.get(id) ?? 1) * (failing[repair.action.split(':')[0]!] ?? usuallyFailing));
  return [...chances].flatMap(([id, chance]) => {
    const fault = sheet.faults.get(id);
    return fault ? [{ fault, chance }] : [];
  });
}

/** Two faults are looked for when a reading is this likely to be an outlier under every single one. */
const unexplained = 0.3;

/**
 * What the hypotheses come to for each fault with all its degrees, in sheet order: after all that was seen, and of that
 * as one that a repair failed to reach.
 */
function byFault(
  predictions: Predictions,
  hypotheses: readonly Hypothesis[],
  weights: Float64Array,
): { readonly after: Float64Array; readonly still: Float64Array } {
  const { faults, shownAs } = singlesOf(predictions.model.sheet);
  const after = new Float64Array(faults.length);
  const still = new Float64Array(faults.length);
  hypotheses.forEach(({ faults: present, despite }, h) => {
    for (const fault of present) after[shownAs[predictions.placeOf(fault)]!]! += weights[h]!;
    if (despite) still[shownAs[predictions.placeOf(present[0]!)]!]! += weights[h]!;
  });
  return { after, still };
}

/** From this chance that a repair failed, more faults at once are thought of instead. */
const ratherMore = 0.3;

/** Is the likeliest explanation that a repair was made in vain? */
const inVain = (hypotheses: readonly Hypothesis[], weights: Float64Array): boolean =>
  sumOf(hypotheses.keys(), (h) => (hypotheses[h]!.despite ? weights[h]! : 0)) > ratherMore;

/** What the hypotheses of a bad donor come to, by its board. */
function byBoard(hypotheses: readonly Hypothesis[], weights: Float64Array): ReadonlyMap<string, number> {
  const chances = new Map<string, number>();
  hypotheses.forEach(({ donor }, h) => {
    if (donor) chances.set(donor.board, (chances.get(donor.board) ?? 0) + weights[h]!);
  });
  return chances;
}

/**
 * The exact posterior over the single faults of the sheet, each while it lasts and each as it comes and goes, over
 * those that a repair failed to reach and, where no single fault explains all that was read or a repair was
 * done, over pairs as well, and over one more of the kind of what was put right.
 *
 * Each observation is judged in the context in which it was taken; a fault that a repair had
 * cured by then no longer acts. Readings inside a block whose netlist is known are judged by it.
 */
export function posteriorOf(job: Case): Posterior {
  const { predictions, bench, closed } = job;
  const { sheet } = predictions.model;
  const singles = singlesOf(sheet);
  const { faults, lasting, fading } = singles;
  const observations = observationsOf(job);
  const inside = besideSheet(predictions, insideEvidence(sheet, predictions.checks, bench), observations);
  const prior = priorOf(sheet, closed);
  const ofSingles = priorsOfSingles(singles, prior);
  const failed = failedRepairs(sheet, bench);
  const despite: Hypothesis[] = failed.map(({ fault }) => ({ faults: [fault], despite: true as const }));
  const constant = [...lasting, ...despite];
  const weighed = observations.map((observation) => weighObservation(predictions, inside, observation));
  const single = weighed.map((one) => one.ofSingles(singles));
  const lent = badDonors(predictions, faults, prior, observations, single);
  const bad = lent.map(({ hypothesis }) => hypothesis);
  let hypotheses: readonly Hypothesis[] = [...constant, ...fading, ...bad];
  let priors = joined(
    ofSingles.lasting,
    Float64Array.from(failed, ({ fault, chance }) => Math.log(prior.get(fault.id)! * chance)),
    ofSingles.fading,
    lent.map((one) => Math.log(one.prior)),
  );
  const curedBy = curedAfter(predictions, bench);
  const told = job.complaint.manner;
  /** What was told of how it shows, and what its soaks came to, by the hypotheses as they stand. */
  const besideReadings = () => [
    ...(told === undefined ? [] : [mannerLogs(told, hypotheses)]),
    ...bench.soaks.map((soaked) => soakLogs(soaked, curedBy[soaked.afterRepairs]!, hypotheses)),
  ];
  const faded = fadingLogs(predictions, observations, singles, weighed, single);
  let logs = weighed.map(({ logOf }, o) => joined(single[o]!, despite.map(logOf), faded.logs[o]!, bad.map(logOf)));
  let within = insideLogs(inside, hypotheses, observations);
  let weights = weigh(priors, [...logs, within, ...besideReadings()]);
  let chances = outlierChances(weighed, weights, logs);

  const cured = curedBy[bench.repairs.length]!;
  /** Observations that what is thought of does not explain. */
  const unexplainedNow = () =>
    observations.flatMap(({ entry }, o) => (entry !== undefined && chances[o]! > unexplained ? [o] : []));
  /** Weighs more hypotheses beside those there are. */
  const consider = (more: readonly (Thought & { readonly logs?: Float64Array })[]) => {
    if (more.length === 0) return;
    hypotheses = [...hypotheses, ...more.map(({ hypothesis }) => hypothesis)];
    priors = joined(
      priors,
      more.map((one) => one.prior),
    );
    logs = logs.map((log, o) =>
      joined(
        log,
        more.map((one) => one.logs?.[o] ?? weighed[o]!.logOf(one.hypothesis)),
      ),
    );
    within = insideLogs(inside, hypotheses, observations);
    weights = weigh(priors, [...logs, within, ...besideReadings()]);
    chances = outlierChances(weighed, weights, logs);
  };
  const explained = () => ({ hypotheses, priors, weights, logs });
  const untouched = weighed.map((one) => one.untouched);
  consider(alikeTogether((fault) => predictions.placeOf(fault), prior, logs, untouched, sheet));
  const odd = unexplainedNow();
  if (odd.length > 0 || bench.repairs.length > 0) {
    consider(
      pairsToTry(faults, prior, logs, odd, sheet, cured).map((pair) => ({ ...pair, prior: Math.log(pair.prior) })),
    );
    for (let size = 2; size < mostTogether && (unexplainedNow().length > 0 || inVain(hypotheses, weights)); size += 1)
      consider(grown(size, faults, prior, explained(), sheet));
    consider(leftovers(predictions, inside, observations, weighed, explained(), prior, cured));
  }

  const { after, still } = byFault(predictions, hypotheses, weights);
  const suspects = faults
    .flatMap((fault, place): Suspect[] =>
      singles.shownAs[place] === place
        ? [
            {
              fault,
              prior: ofSingles.withDegrees[place]!,
              probability: after[place]!,
              cured: cured.has(fault.id) && still[place]! <= after[place]! / 2,
            },
          ]
        : [],
    )
    .sort((a, b) => b.probability - a.probability);
  const showsNow = faded.there(bench.episode);
  return {
    suspects,
    together: suspectSets(sheet, hypotheses, weights),
    doubts: observations
      .map((observation, o): Doubt => ({ observation, chance: chances[o]! }))
      .filter(({ chance, observation }) => chance >= doubtful && observation.entry !== undefined)
      .sort((a, b) => b.chance - a.chance),
    observations: [...observations, ...(told === undefined ? [] : [mannerSaid(told)]), ...bench.soaks.map(soakSaid)],
    hypotheses,
    weights,
    logs: [...logs, ...besideReadings()],
    cured,
    dormant: sumOf(fading.keys(), (f) => (1 - showsNow[f]!) * weights[constant.length + f]!),
    atRest: readAtRest(observations, singles, (f) => weights[constant.length + f]!, weighed, single, faded.there),
    badDonors: byBoard(hypotheses, weights),
  };
}
