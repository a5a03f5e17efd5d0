import { bitsOf, sumOf } from '../../statistics';
import { type Element, kindOf } from '../elements';
import { type Dictionary, type DictionaryEntry } from './dictionary';
import { type CircuitFault } from './faults';
import { covarianceAt, type Ranking } from './ranking';

/** What could be measured next, with what it is expected to tell. */
export type NextReading = {
  /** Expected information, in bits. */
  readonly bits: number;
  readonly minutes: number;
} & (
  | {
      readonly kind: 'node';
      readonly node: string;
      /** Volts that the leading parts would bring, likeliest first. */
      readonly expected: readonly { readonly fault: CircuitFault; readonly volts: number }[];
    }
  | { readonly kind: 'cold'; readonly ref: string; readonly how: ColdCheck }
);

/** How a part is checked by itself, with the set off and empty. */
export type ColdCheck = 'ohms' | 'junctions' | 'capacitor' | 'continuity';

/** Minutes for a node of a stage that runs, and for a part of one that must first be switched off and be empty. */
const cost = { node: 0.5, cold: 3 };
/** Faults less likely than this change no choice. */
const least = 0.002;
const most = 48;
/** What tells less than this is not worth its minutes; the leading part is checked by itself before it is replaced all the same. */
const leastBits = 0.01;
/** Chance that a cold check of the part itself tells rightly: a cracked joint may close under the probe. */
const coldTells = 0.9;
/** Places of a fault's own reading at which its posterior is worked out, in standard deviations, with their weights (Gauss and Hermite). */
const quadrature = [
  [-Math.sqrt(3), 1 / 6],
  [0, 2 / 3],
  [Math.sqrt(3), 1 / 6],
] as const;

/**
 * What to measure next: nodes not read yet by how much they are expected to tell between the faults
 * that are left, and cold checks of the leading parts themselves; the most for its minutes first.
 *
 * Readings already taken are taken as having said all they can of the tolerances.
 */
export function nextReadings(
  dictionary: Dictionary,
  ranking: Ranking,
  readings: ReadonlyMap<string, number>,
): NextReading[] {
  const { system, entries } = dictionary;
  const entryOf = new Map(entries.map((entry) => [entry.fault, entry]));
  const left = ranking.faults
    .filter(({ probability }) => probability >= least)
    .slice(0, most)
    .map(({ fault, probability }) => ({ entry: entryOf.get(fault)!, probability }));
  const sum = sumOf(left, ({ probability }) => probability);
  if (left.length === 0) return [];
  const chances = left.map(({ probability }) => probability / sum);
  const open = system.nodes.flatMap((node, at) => (node.includes(':') || readings.has(node) ? [] : [{ node, at }]));
  const spreads = left.map(({ entry }) =>
    spreadsOf(
      dictionary,
      entry,
      open.map(({ at }) => at),
    ),
  );
  const ways = left.map(({ entry }) => wayOf(entry.fault));
  const before = entropyBits(ways, chances);

  const refs = left.map(({ entry }) => entry.fault.ref);
  const nodes = open.map(({ node, at }, place): NextReading => {
    const means = left.map(({ entry }) => entry.point[at]!);
    const after = expectedBits(
      ways,
      chances,
      means,
      spreads.map((spread) => spread[place]!),
    );
    return {
      kind: 'node',
      node,
      bits: Math.max(0, before - after),
      minutes: cost.node,
      expected: apartAt(refs, means).map((index) => ({ fault: left[index]!.entry.fault, volts: means[index]! })),
    };
  });
  const parts = new Map<string, number>();
  left.forEach(({ entry }, index) => {
    const { ref } = entry.fault;
    parts.set(ref, (parts.get(ref) ?? 0) + chances[index]!);
  });
  const cold = [...parts].map(([ref, chance]): NextReading => ({
    kind: 'cold',
    ref,
    how: coldCheckOf(system.circuit.elements.find(({ label }) => label === ref)!),
    bits: coldTells * (bitsOf(chance) + bitsOf(1 - chance)),
    minutes: cost.cold,
  }));
  return [...nodes, ...cold]
    .filter((one) => one.bits > leastBits || (one.kind === 'cold' && one.ref === refs[0]))
    .sort((a, b) => b.bits / b.minutes - a.bits / a.minutes);
}

/** Two voltages closer than this are told as one. */
const alike = { share: 0.008, volts: 0.02 };
const told = 3;

/** Indices of the likeliest parts that a node tells apart: each with volts of its own. */
function apartAt(refs: readonly string[], means: readonly number[]): number[] {
  const found: number[] = [];
  refs.forEach((ref, index) => {
    const stands = found.every(
      (other) =>
        refs[other] !== ref &&
        Math.abs(means[other]! - means[index]!) > Math.max(alike.volts, alike.share * Math.abs(means[other]!)),
    );
    if (found.length < told && stands) found.push(index);
  });
  return found;
}

function spreadsOf(dictionary: Dictionary, entry: DictionaryEntry, at: readonly number[]): number[] {
  const covariance = covarianceAt(dictionary, entry, at);
  return at.map((_, index) => Math.sqrt(covariance[index * at.length + index]!));
}

/** A part and the way it failed: the steps of one drift are one. */
const wayOf = ({ ref, mode, factor = 1 }: CircuitFault) => `${ref} ${mode} ${factor > 1}`;

function entropyBits(ways: readonly string[], chances: readonly number[]): number {
  const sums = new Map<string, number>();
  ways.forEach((way, index) => sums.set(way, (sums.get(way) ?? 0) + chances[index]!));
  return sumOf(sums.values(), (chance) => bitsOf(chance));
}

/** Expected entropy of the parts and ways after a reading, in bits. */
function expectedBits(
  ways: readonly string[],
  chances: readonly number[],
  means: readonly number[],
  spreads: readonly number[],
): number {
  let expected = 0;
  chances.forEach((chance, truth) => {
    for (const [place, weight] of quadrature) {
      const volts = means[truth]! + place * spreads[truth]!;
      let total = 0;
      let own = 0;
      chances.forEach((other, index) => {
        const z = (volts - means[index]!) / spreads[index]!;
        const share = (other / spreads[index]!) * Math.exp(-0.5 * z * z);
        total += share;
        if (ways[index] === ways[truth]) own += share;
      });
      // The expectation of -log of the posterior of the truth is the entropy.
      expected += chance * weight * (total > 0 && own > 0 ? -Math.log2(own / total) : 0);
    }
  });
  return expected;
}

const coldCheckOf = (element: Element): ColdCheck => kindOf(element).cold ?? 'continuity';
