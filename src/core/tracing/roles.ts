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

/** A role and which way round it is played; for parts whose pins do the same there are two ways. */
interface State {
  readonly role: number;
  /** The node of the stage each pin of the part would be, by the order of the part’s pins. */
  readonly nodes: readonly number[];
  readonly word: number;
}

/** A place on the board: the stage’s nodes it may be, with their chances. */
type Spread = Float64Array;

/**
 * Which part of a board plays which role of a stage.
 *
 * Each part has a distribution over roles of its kind, by its value and by what its pins were found joined to and apart
 * from; two parts do not play one role. The distributions are brought to agree by turns (mean field).
 */
export class Roles {
  private readonly states: readonly (readonly State[])[];
  private readonly chances: Float64Array[];
  private readonly spreads = new Map<Spot, Spread>();
  private readonly size: number;
  private readonly taken: Float64Array;
  private readonly about: ReadonlyMap<
    string,
    readonly { readonly pin: number; readonly other: Spot; readonly fact: TracedFact }[]
  >;

  constructor(
    private readonly parts: readonly TracedPart[],
    private readonly pattern: TracedPattern,
    facts: readonly TracedFact[],
  ) {
    this.size = pattern.nodes.length;
    const nodeOf = new Map(pattern.nodes.flatMap((spots, node) => spots.map((spot) => [spot, node] as const)));
    const rank = new Map<string, number>();
    const order = (all: readonly TracedPart[], prefix: string) => {
      const counts = new Map<TracedKindName, number>();
      for (const { ref, kind } of all) {
        rank.set(`${prefix}${ref}`, counts.get(kind) ?? 0);
        counts.set(kind, (counts.get(kind) ?? 0) + 1);
      }
    };
    order(parts, 'own ');
    order(pattern.parts, 'role ');
    this.states = parts.map((part) =>
      pattern.parts.flatMap((role, index): State[] => {
        if (role.kind !== part.kind) return [];
        const nodes = role.pins.map((pin) => nodeOf.get(`${role.ref}.${pin}`) ?? -1);
        // Of stages with several like channels one part has to begin: the first with the first.
        const apart = Math.abs(rank.get(`own ${part.ref}`)! - rank.get(`role ${role.ref}`)!);
        const word = valueWord(part.value, role.value) - 0.02 * apart;
        const ways = 'alike' in tracedKinds[part.kind] ? [nodes, [...nodes].reverse()] : [nodes];
        return ways.map((way, at) => ({ role: index, nodes: way, word: word - 0.01 * at }));
      }),
    );
    this.taken = new Float64Array(pattern.parts.length);
    this.chances = this.states.map((states) => new Float64Array(states.length));
    for (const rail of new Set(facts.flatMap(({ a, b }) => [a, b]).filter(isRail)))
      this.spreads.set(rail, this.railSpread(rail));
    const about = new Map<string, { pin: number; other: Spot; fact: TracedFact }[]>();
    const byRef = new Map(parts.map((part) => [part.ref, part]));
    for (const fact of facts)
      for (const [spot, other] of [
        [fact.a, fact.b],
        [fact.b, fact.a],
      ] as const) {
        const [ref = '', pin = ''] = spot.split('.');
        const part = byRef.get(ref);
        if (!part || isRail(spot)) continue;
        about.set(ref, [...(about.get(ref) ?? []), { pin: part.pins.indexOf(pin), other, fact }]);
      }
    this.about = about;
    for (const at of parts.keys()) this.settle(at, true);
    for (let sweep = 0; sweep < sweeps; sweep += 1) for (const at of parts.keys()) this.settle(at, false);
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

  /** What spots that are one may be: the mean of their spreads. */
  private together(spots: readonly Spot[]): Spread {
    if (spots.length === 1) return this.spreadOf(spots[0]!);
    const mean = new Float64Array(this.size);
    for (const spot of spots) {
      const spread = this.spreadOf(spot);
      for (let node = 0; node < this.size; node += 1) mean[node]! += spread[node]! / spots.length;
    }
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
  spreadOf(spot: Spot): Spread {
    let spread = this.spreads.get(spot);
    if (!spread) this.spreads.set(spot, (spread = isRail(spot) ? this.railSpread(spot) : new Float64Array(this.size)));
    return spread;
  }

  private railSpread(rail: Spot): Spread {
    const spread = new Float64Array(this.size);
    this.pattern.nodes.forEach((spots, node) => {
      const own = spots.find(isRail);
      if (own === undefined) return;
      if (rail === 'gnd' || own === 'gnd') spread[node] = Number(rail === own);
      else if (Number(rail) * Number(own) > 0)
        spread[node] = Math.exp(-0.5 * (Math.log(Number(rail) / Number(own)) / 0.3) ** 2);
    });
    const all = sumOf([...spread], (one) => one);
    return all > 0 ? spread.map((one) => one / Math.max(1, all)) : spread;
  }

  /** Brings one part to agree with all others. */
  private settle(at: number, first: boolean): void {
    const part = this.parts[at]!;
    const states = this.states[at]!;
    const chances = this.chances[at]!;
    states.forEach(({ role }, state) => (this.taken[role]! -= first ? 0 : chances[state]!));
    const words = states.map(({ role, nodes, word }) => {
      let sum = word - 2 * Math.max(0, this.taken[role]!);
      if (!first)
        for (const { pin, other, fact } of this.about.get(part.ref) ?? []) {
          const node = nodes[pin]!;
          const both = node < 0 ? 0 : this.spreadOf(other)[node]!;
          const chance = strays + (holds - strays) * both;
          sum += Math.log(fact.found === 'joined' ? chance : 1 - chance);
        }
      return sum;
    });
    const most = Math.max(noRole, ...words);
    let all = Math.exp(noRole - most);
    words.forEach((word, state) => (all += chances[state] = Math.exp(word - most)));
    states.forEach(({ role }, state) => {
      chances[state]! /= all;
      this.taken[role]! += chances[state]!;
    });
    part.pins.forEach((pin, index) => {
      const spread = new Float64Array(this.size);
      states.forEach(({ nodes }, state) => {
        const node = nodes[index]!;
        if (node >= 0) spread[node]! += chances[state]!;
      });
      this.spreads.set(`${part.ref}.${pin}`, spread);
    });
  }
}

function valueWord(own: number | undefined, role: number | undefined): number {
  if (own === undefined || role === undefined) return unread;
  return Math.max(farOff, -0.5 * (Math.log(own / role) / valueSpread) ** 2);
}
