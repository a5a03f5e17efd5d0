import { sum } from '../../statistics';
import { type Fault, type Sheet } from '../../sheet';
import { besideOthers, gangs } from './beside';
import { type Hypothesis, keyOf } from './hypothesis';

/** So many faults at once are thought of where fewer do not explain all that was read. */
export const mostTogether = 5;

/** How many sets of faults are grown at a time, and by how many faults that explain one observation each. */
const mostGrown = 2;
const mostExplaining = 5;
/** So many of the observations that a set explains worst are left for one more fault. */
const left = 2;

/** What is thought of so far: logarithms of the prior and weights by hypothesis, log-likelihoods by observation. */
export interface Explained {
  readonly hypotheses: readonly Hypothesis[];
  readonly priors: Float64Array;
  readonly weights: Float64Array;
  /** Of each observation by hypothesis, single faults first, in sheet order. */
  readonly logs: readonly Float64Array[];
}

/** A set of faults to be weighed, with the logarithm of its prior. */
export interface Thought {
  readonly hypothesis: Hypothesis;
  readonly prior: number;
}

/**
 * Sets of one fault more than the likeliest of a size: with what explains best the observations that they explain worst.
 */
export function grown(
  size: number,
  faults: readonly Fault[],
  prior: ReadonlyMap<string, number>,
  { hypotheses, priors, weights, logs }: Explained,
  sheet: Sheet,
): Thought[] {
  const best = logs.map((log) => log.reduce((most, value) => Math.max(most, value), -Infinity));
  /** By how much a hypothesis falls short of the best at each observation. */
  const shortOf = (h: number) => logs.map((log, o) => best[o]! - log[h]!);
  /** What a set comes to once all but what it explains worst is left aside. */
  const lenient = (h: number) => {
    const worst = shortOf(h).sort((a, b) => b - a);
    return priors[h]! - sum(worst.slice(left));
  };
  const bases = [...hypotheses.keys()].filter((h) => {
    const { faults: present, despite, sometimes, donor } = hypotheses[h]!;
    return present.length === size && !despite && !sometimes && !donor;
  });
  const likeliest = new Set([
    ...highest(bases, (h) => weights[h]!).slice(0, mostGrown),
    ...highest(bases, lenient).slice(0, 1),
  ]);
  const thought = new Set(
    hypotheses.filter(({ sometimes }) => !sometimes).map(({ faults: present }) => keyOf(present)),
  );
  const found = new Map<string, Thought>();
  for (const base of likeliest) {
    const present = hypotheses[base]!.faults;
    const chances = faults.map(besideOthers(present, prior, sheet));
    const short = shortOf(base);
    const open = highest([...logs.keys()], (o) => short[o]!).slice(0, left);
    const explaining = (o: number) =>
      highest([...faults.keys()], (f) => Math.log(chances[f]!) + 3 * logs[o]![f]!).slice(0, mostExplaining);
    for (const f of new Set(open.flatMap(explaining))) {
      if (present.some(({ part }) => part === faults[f]!.part)) continue;
      const together = [...present, faults[f]!];
      const key = keyOf(together);
      const own = priors[base]! + Math.log(chances[f]!);
      if (!thought.has(key) && own > (found.get(key)?.prior ?? -Infinity))
        found.set(key, { hypothesis: { faults: together }, prior: own });
    }
  }
  return [...found.values()];
}

/** Numbers by what they score, highest first. */
function highest(numbers: readonly number[], scoreOf: (number: number) => number): number[] {
  const scores = new Map(numbers.map((number) => [number, scoreOf(number)]));
  return [...numbers].sort((a, b) => scores.get(b)! - scores.get(a)!);
}

/** By so much, as a logarithm, a fault must explain something better than a good set does. */
const explains = 1;

/**
 * Parts of one kind that have all gone the same way, where each explains something that a good set does not: the three
 * channels of a picture, the halves of a panel.
 *
 * @param placeOf a fault's place in the sheet
 * @param logs log-likelihood per observation and hypothesis, single faults first, in sheet order
 * @param untouched log-likelihood of each observation under a good set
 */
export function alikeTogether(
  placeOf: (fault: Fault) => number,
  prior: ReadonlyMap<string, number>,
  logs: readonly Float64Array[],
  untouched: readonly number[],
  sheet: Sheet,
): Thought[] {
  const tells = (fault: Fault) => {
    const f = placeOf(fault);
    return logs.some((log, o) => log[f]! > untouched[o]! + explains);
  };
  return [...gangs(sheet)]
    .map((gang) => gang.filter(tells))
    .filter(({ length }) => length > 2 && length <= mostTogether)
    .map((together) => ({
      hypothesis: { faults: together },
      prior: together.reduce(
        (chance, fault, place) => chance + Math.log(besideOthers(together.slice(0, place), prior, sheet)(fault)),
        0,
      ),
    }));
}

/** Several faults at once, with their probability after all observations. */
export interface SuspectSet {
  readonly faults: readonly Fault[];
  readonly probability: number;
}

/** Sets of faults less likely than this are not told. */
const leastTold = 0.01;

/** The likelier sets of several faults, each fault as what it is a degree of. */
export function suspectSets(sheet: Sheet, hypotheses: readonly Hypothesis[], weights: Float64Array): SuspectSet[] {
  const sets = new Map<string, SuspectSet>();
  hypotheses.forEach(({ faults }, h) => {
    if (faults.length < 2) return;
    const told = faults.map(({ id, degreeOf = id }) => sheet.faults.get(degreeOf)!);
    const key = keyOf(told);
    sets.set(key, { faults: told, probability: (sets.get(key)?.probability ?? 0) + weights[h]! });
  });
  return [...sets.values()]
    .filter(({ probability }) => probability >= leastTold)
    .sort((a, b) => b.probability - a.probability);
}
