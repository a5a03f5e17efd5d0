import { kept } from '../recent';
import { sumOf } from '../statistics';
import { type TracedFact } from './fact';
import { pairOf, type TracedNet } from './net';
import { classOf, type TracedPart } from './part';
import { Roles, type States, statesOf } from './roles';
import { type TracedPattern } from './tracedPattern';

/** How often spots of two classes are one node, and how often they might be, over some stages. */
function counted(patterns: readonly TracedPattern[]) {
  const joined = new Map<string, number>();
  const pairs = new Map<string, number>();
  const add = (to: Map<string, number>, a: string, b: string) => to.set(pairOf(a, b), (to.get(pairOf(a, b)) ?? 0) + 1);
  for (const { parts, nodes } of patterns) {
    const known = new Map(parts.map((part) => [part.ref, part]));
    const all = nodes.map((spots) => spots.map((spot) => classOf(spot, known)));
    const flat = all.flat();
    for (const [at, a] of flat.entries()) for (const b of flat.slice(at + 1)) add(pairs, a, b);
    for (const spots of all)
      for (const [at, a] of spots.entries()) for (const b of spots.slice(at + 1)) add(joined, a, b);
  }
  return { joined, pairs };
}

function kindsIn(parts: readonly TracedPart[]): ReadonlyMap<string, number> {
  const kinds = new Map<string, number>();
  for (const { kind } of parts) kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
  return kinds;
}

/** What is known of stages before a board is looked at. */
export class PatternLibrary {
  private readonly joints: ReturnType<typeof counted>;
  /** How many parts of each kind each stage has, and all together. */
  private readonly kinds: readonly ReadonlyMap<string, number>[];
  private readonly allKinds: ReadonlyMap<string, number>;
  private readonly size: number;
  private readonly states = new Map<TracedPattern, { parts: readonly TracedPart[]; states: States }>();
  private readonly rates = new Map<string, Map<string, number>>();

  constructor(readonly patterns: readonly TracedPattern[]) {
    const all = patterns.flatMap(({ parts }) => parts);
    this.joints = counted(patterns);
    this.kinds = patterns.map(({ parts }) => kindsIn(parts));
    this.allKinds = kindsIn(all);
    this.size = all.length;
  }

  /**
   * What the board is, given its parts and what was beeped: the stages it may be with their chances, and that of none.
   *
   * A board is as often none of them as it is any of them. Parts by kind are drawn from the stage’s own shares. Of the
   * likeliest stages the roles are worked out, and what was beeped is held against them; for none of them it is held
   * against what stages have in common.
   */
  believe(net: TracedNet): Believed {
    const { parts, standing: facts } = net;
    const all = [...parts.values()];
    const kinds = kindsIn(all);
    const wordOf = (own: ReadonlyMap<string, number>, size: number) => {
      let word = 0;
      for (const [kind, count] of kinds) word += count * Math.log(((own.get(kind) ?? 0) + 0.25) / (size + 2.5));
      return word;
    };
    const ofKinds = this.patterns.map(({ parts: own }, at) => {
      const missing = (parts.size - own.length) / (2 + 0.25 * own.length);
      return wordOf(this.kinds[at]!, own.length) - 0.5 * missing ** 2;
    });
    const best = [...this.patterns.keys()].sort((a, b) => ofKinds[b]! - ofKinds[a]!).slice(0, mostWorkedOut);
    const rated = ({ a, b, found }: TracedFact) => {
      const chance = this.commonRate(classOf(a, parts), classOf(b, parts));
      return Math.log(found === 'joined' ? chance : 1 - chance);
    };
    const candidates = [
      ...best.map((at) => {
        const pattern = this.patterns[at]!;
        const roles = new Roles(all, pattern, facts, this.statesIn(pattern, all));
        return {
          pattern,
          roles,
          word: ofKinds[at]! + roles.valuesWord() + roles.railsWord() + sumOf(facts, (fact) => roles.word(fact)),
        };
      }),
      {
        pattern: undefined,
        roles: undefined,
        word:
          Math.log(this.patterns.length) +
          wordOf(this.allKinds, this.size) +
          unknownValue * parts.size +
          sumOf(facts, rated),
      },
    ];
    const most = Math.max(...candidates.map(({ word }) => word));
    const whole = sumOf(candidates, ({ word }) => Math.exp(word - most));
    return candidates
      .map(({ pattern, roles, word }) => ({ pattern, roles, chance: Math.exp(word - most) / whole }))
      .sort((a, b) => b.chance - a.chance);
  }

  /** What the parts of a board might be in a stage: worked out again only when a part was added or taken away. */
  private statesIn(pattern: TracedPattern, parts: readonly TracedPart[]): States {
    const known = this.states.get(pattern);
    if (known?.parts.length === parts.length && known.parts.every((part, at) => part === parts[at]))
      return known.states;
    const states = statesOf(parts, pattern);
    this.states.set(pattern, { parts, states });
    return states;
  }

  /** How often spots of two classes are one in any stage. */
  commonRate(a: string, b: string): number {
    const ofA = kept(this.rates, a, () => new Map<string, number>());
    return kept(ofA, b, () => {
      const key = pairOf(a, b);
      return ((this.joints.joined.get(key) ?? 0) + 0.08) / ((this.joints.pairs.get(key) ?? 0) + 1);
    });
  }
}

/** Stages that a board may be, the likeliest first, each with its roles; without a pattern it is none that is known. */
export type Believed = readonly {
  readonly pattern: TracedPattern | undefined;
  readonly roles: Roles | undefined;
  readonly chance: number;
}[];

/** Of so many stages the roles are worked out. */
const mostWorkedOut = 4;
/** What the value of a part says where it is not known what it should be. */
const unknownValue = -1.3;
