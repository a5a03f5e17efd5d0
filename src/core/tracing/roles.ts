import { sumOf } from '../statistics';
import { type TracedFact } from './fact';
import { isRail, type Spot, type TracedKindName, tracedKinds, type TracedPart } from './part';
import { type TracedPattern } from './tracedPattern';

/** How far the value of a part may lie from that of its role, as a spread of its logarithm. */
const valueSpread = 0.35;
/** What a value that is far off costs at most, and one that is not known. */
const [farOff, unread] = [-5, -1.2];
/** Of the stage itself a value that is far off speaks so much: makers differ. */
const unfit = -2.5;
/** What it costs a part to play no role at all. */
const noRole = -7;
/** A beep between what the roles hold to be one, and between what they hold to be two. */
const [holds, strays] = [0.97, 0.015];
const sweeps = 5;
/** What each rail costs a stage, against a board of no stage that is known; and what one costs that is none of its nodes. */
const asRail = -2;
const strange = -3;
/** How likely a rail is any one node that the stage drives, against one that feeds it at just these volts. */
const driven = 0.02;

/** A role and which way round it is played; for parts whose pins do the same there are two ways. */
interface State {
  readonly role: number;
  /** The node of the stage each pin of the part would be, by the order of the part’s pins; -1 for none. */
  readonly nodes: readonly number[];
  readonly word: number;
}

/** What each part of a board might be in a stage: it hangs on the parts alone, and not on what was beeped. */
export type States = readonly (readonly State[])[];

/** A place on the board: the stage’s nodes it may be, with their chances. */
type Spread = Float64Array;

/** A finding about a pin of a part: what it was held to. */
interface Held {
  readonly pin: number;
  readonly other: number;
  readonly joined: boolean;
}

/** The roles of a stage that each part of a board could play. */
export function statesOf(parts: readonly TracedPart[], pattern: TracedPattern): States {
  const nodeOf = new Map(pattern.nodes.flatMap((spots, node) => spots.map((spot) => [spot, node] as const)));
  const ranked = (all: readonly TracedPart[]) => {
    const counts = new Map<TracedKindName, number>();
    return all.map(({ kind }) => {
      const rank = counts.get(kind) ?? 0;
      counts.set(kind, rank + 1);
      return rank;
    });
  };
  const ownRanks = ranked(parts);
  const roleRanks = ranked(pattern.parts);
  const roles = pattern.parts.map((role) => role.pins.map((pin) => nodeOf.get(`${role.ref}.${pin}`) ?? -1));
  return parts.map((part, own) =>
    pattern.parts.flatMap((role, index): State[] => {
      if (role.kind !== part.kind) return [];
      const nodes = roles[index]!;
      // Of stages with several like channels one part has to begin: the first with the first.
      const word = valueWord(part.value, role.value) - 0.02 * Math.abs(ownRanks[own]! - roleRanks[index]!);
      const ways = 'alike' in tracedKinds[part.kind] ? [nodes, [...nodes].reverse()] : [nodes];
      return ways.map((way, at) => ({ role: index, nodes: way, word: word - 0.01 * at }));
    }),
  );
}

/**
 * Which part of a board plays which role of a stage.
 *
 * Each part has a distribution over roles of its kind, by its value and by what its pins were found joined to and apart
 * from; two parts do not play one role. The distributions are brought to agree by turns (mean field).
 */
export class Roles {
  private readonly chances: Float64Array[];
  private readonly places = new Map<Spot, number>();
  private readonly spreads: Spread[] = [];
  /** Where the spreads of each part’s pins begin, in their order. */
  private readonly firstPlaces: readonly number[];
  /** Of spots that are asked for together again and again. */
  private readonly means = new WeakMap<readonly Spot[], Spread>();
  private readonly size: number;
  private readonly taken: Float64Array;
  /** What was found about each part. */
  private readonly about: readonly (readonly Held[])[];
  /** What each rail may be by its volts, and the pins that it was held to. */
  private readonly rails = new Map<Spot, { readonly prior: Spread; readonly held: Omit<Held, 'pin'>[] }>();

  /** @param states of these parts in this stage */
  constructor(
    private readonly parts: readonly TracedPart[],
    private readonly pattern: TracedPattern,
    facts: readonly TracedFact[],
    private readonly states: States = statesOf(parts, pattern),
  ) {
    this.size = pattern.nodes.length;
    this.taken = new Float64Array(pattern.parts.length);
    this.chances = states.map((own) => new Float64Array(own.length));
    this.firstPlaces = parts.map(({ ref, pins }) => pins.map((pin) => this.placeOf(`${ref}.${pin}`))[0]!);
    const about: Held[][] = parts.map(() => []);
    const whose = new Map<Spot, { readonly part: number; readonly pin: number }>(
      parts.flatMap(({ ref, pins }, part) => pins.map((name, pin) => [`${ref}.${name}`, { part, pin }] as const)),
    );
    for (const { a, b, found } of facts) {
      const [one, two] = [whose.get(a), whose.get(b)];
      const joined = found === 'joined';
      if (one) about[one.part]!.push({ pin: one.pin, other: this.placeOf(b), joined });
      if (two) about[two.part]!.push({ pin: two.pin, other: this.placeOf(a), joined });
      this.rails.get(a)?.held.push({ other: this.placeOf(b), joined });
      this.rails.get(b)?.held.push({ other: this.placeOf(a), joined });
    }
    this.about = about;
    for (const at of parts.keys()) this.settle(at, true);
    for (let sweep = 0; sweep < sweeps; sweep += 1) {
      for (const at of parts.keys()) this.settle(at, false);
      for (const rail of this.rails.keys()) this.settleRail(rail);
    }
  }

  /** Where the spread of a spot stands; a new one may be nothing yet, a rail what its volts say. */
  private placeOf(spot: Spot): number {
    let place = this.places.get(spot);
    if (place === undefined) {
      place = this.spreads.length;
      this.places.set(spot, place);
      const prior = isRail(spot) ? this.railPrior(spot) : new Float64Array(this.size);
      if (isRail(spot) && spot !== 'gnd') this.rails.set(spot, { prior, held: [] });
      this.spreads.push(shares(prior));
    }
    return place;
  }

  /** Chance that two spots are one. */
  joined(a: Spot, b: Spot): number {
    const [one, two] = [this.spreadOf(a), this.spreadOf(b)];
    let both = 0;
    for (let node = 0; node < this.size; node += 1) both += one[node]! * two[node]!;
    return strays + (holds - strays) * both;
  }

  /** Chance that two nodes are one, by what their spots may be. */
  joinedNodes(one: readonly Spot[], two: readonly Spot[]): number {
    const [a, b] = [this.together(one), this.together(two)];
    let both = 0;
    for (let node = 0; node < this.size; node += 1) both += a[node]! * b[node]!;
    return both;
  }

  /** The nodes of the stage that some pins beeped together may be, likeliest first. */
  nodesOf(pins: readonly Spot[]): readonly { readonly spots: readonly Spot[]; readonly chance: number }[] {
    if (pins.length === 0) return [];
    return [...this.together(pins)]
      .map((chance, node) => ({ spots: this.pattern.nodes[node]!, chance }))
      .filter(({ chance }) => chance > 0)
      .sort((one, two) => two.chance - one.chance);
  }

  /** What spots that are one may be: the mean of their spreads. */
  private together(spots: readonly Spot[]): Spread {
    if (spots.length === 1) return this.spreadOf(spots[0]!);
    const known = this.means.get(spots);
    if (known) return known;
    const mean = new Float64Array(this.size);
    for (const spot of spots) {
      const spread = this.spreadOf(spot);
      for (let node = 0; node < this.size; node += 1) mean[node]! += spread[node]! / spots.length;
    }
    this.means.set(spots, mean);
    return mean;
  }

  /** How well the roles bear out a finding: the logarithm of its chance. */
  word({ a, b, found }: TracedFact): number {
    const chance = this.joined(a, b);
    return Math.log(found === 'joined' ? chance : 1 - chance);
  }

  /** How well the values of the parts are those of their roles, as a logarithm; one that plays none is far off. */
  valuesWord(): number {
    return sumOf([...this.states.keys()], (at) => {
      const chances = this.chances[at]!;
      let word = 0;
      let played = 0;
      this.states[at]!.forEach((state, index) => {
        word += chances[index]! * Math.max(unfit, state.word);
        played += chances[index]!;
      });
      return word + (1 - played) * unfit;
    });
  }

  /** How well the volts of the rails are those of what they are in the stage, as a logarithm. */
  railsWord(): number {
    return sumOf([...this.rails], ([rail, { prior }]) => {
      const spread = this.spreadOf(rail);
      let word = 0;
      let placed = 0;
      for (let node = 0; node < this.size; node += 1) {
        if (spread[node]! === 0) continue;
        word += spread[node]! * Math.log(prior[node]!);
        placed += spread[node]!;
      }
      return word + (1 - placed) * strange + asRail;
    });
  }

  /** The role each part plays, with its chance; parts that play none are left out. */
  played(): { readonly part: TracedPart; readonly role: TracedPart; readonly chance: number }[] {
    return this.parts.flatMap((part, at) => {
      const byRole = new Map<number, number>();
      this.states[at]!.forEach(({ role }, state) =>
        byRole.set(role, (byRole.get(role) ?? 0) + this.chances[at]![state]!),
      );
      const [best] = [...byRole].sort(([, one], [, two]) => two - one);
      return best && best[1] > 0.3 ? [{ part, role: this.pattern.parts[best[0]]!, chance: best[1] }] : [];
    });
  }

  /** The stage’s nodes that a spot may be. */
  private spreadOf(spot: Spot): Spread {
    return this.spreads[this.placeOf(spot)]!;
  }

  /** What a rail may be: one that feeds the stage at such volts, or a node that the stage drives by itself. */
  private railPrior(rail: Spot): Spread {
    const spread = new Float64Array(this.size);
    this.pattern.nodes.forEach((spots, node) => {
      const own = spots.find(isRail);
      if (rail === 'gnd' || own === 'gnd') spread[node] = Number(rail === own);
      else if (own === undefined) spread[node] = driven;
      else if (Number(rail) * Number(own) > 0)
        spread[node] = Math.exp(-0.5 * (Math.log(Number(rail) / Number(own)) / 0.3) ** 2);
    });
    return spread;
  }

  /** Brings a rail to agree with the pins it was held to. */
  private settleRail(rail: Spot): void {
    const { prior, held } = this.rails.get(rail)!;
    const words = new Float64Array(this.size);
    let none = 0;
    for (let node = 0; node < this.size; node += 1)
      for (const { other, joined } of held) {
        const chance = strays + (holds - strays) * this.spreads[other]![node]!;
        words[node]! += Math.log(joined ? chance : 1 - chance);
      }
    for (const { joined } of held) none += Math.log(joined ? strays : 1 - strays);
    // What is none of its nodes has a share as well.
    const most = Math.max(none, ...words);
    let all = Math.exp(none - most);
    for (let node = 0; node < this.size; node += 1) all += words[node] = prior[node]! * Math.exp(words[node]! - most);
    this.spreads[this.placeOf(rail)]!.set(words.map((one) => one / all));
  }

  /** Brings one part to agree with all others. */
  private settle(at: number, first: boolean): void {
    const { pins } = this.parts[at]!;
    const states = this.states[at]!;
    const chances = this.chances[at]!;
    const held = first ? [] : this.about[at]!;
    if (!first)
      for (let state = 0; state < states.length; state += 1) this.taken[states[state]!.role]! -= chances[state]!;
    let most = noRole;
    for (let state = 0; state < states.length; state += 1) {
      const { role, nodes, word } = states[state]!;
      let sum = word - 2 * Math.max(0, this.taken[role]!);
      // The chances of a few findings are multiplied before a logarithm is taken: it costs more than all else here.
      let product = 1;
      for (const { pin, other, joined } of held) {
        const node = nodes[pin]!;
        const chance = strays + (holds - strays) * (node < 0 ? 0 : this.spreads[other]![node]!);
        product *= joined ? chance : 1 - chance;
        if (product < 1e-200) {
          sum += Math.log(product);
          product = 1;
        }
      }
      sum += Math.log(product);
      chances[state] = sum;
      most = Math.max(most, sum);
    }
    let all = Math.exp(noRole - most);
    for (let state = 0; state < states.length; state += 1) all += chances[state] = Math.exp(chances[state]! - most);
    const start = this.firstPlaces[at]!;
    for (let pin = 0; pin < pins.length; pin += 1) this.spreads[start + pin]!.fill(0);
    for (let state = 0; state < states.length; state += 1) {
      const { role, nodes } = states[state]!;
      const chance = (chances[state]! /= all);
      this.taken[role]! += chance;
      for (let pin = 0; pin < nodes.length; pin += 1)
        if (nodes[pin]! >= 0) this.spreads[start + pin]![nodes[pin]!]! += chance;
    }
  }
}

/** Weights as shares; what comes to less than one in all stays so. */
function shares(weights: Spread): Spread {
  const all = sumOf([...weights], (one) => one);
  return weights.map((one) => one / Math.max(1, all));
}

function valueWord(own: number | undefined, role: number | undefined): number {
  if (own === undefined || role === undefined) return unread;
  return Math.max(farOff, -0.5 * (Math.log(own / role) / valueSpread) ** 2);
}
