import { type Random } from '../statistics';
import { type TracedFact } from './fact';
import { netOf, type TracedNet } from './net';
import { nextBeep } from './nextBeep';
import { isRail, type Spot, spotsOf } from './part';
import { type PatternLibrary } from './library';
import { type TracedPattern } from './tracedPattern';

/** Which spots are one on a board that is made from a pattern. */
function truthOf({ nodes }: TracedPattern): ReadonlyMap<Spot, number> {
  return new Map(nodes.flatMap((spots, at) => spots.map((spot) => [spot, at] as const)));
}

/** What tracing a board came to. */
export interface Traced {
  readonly net: TracedNet;
  readonly beeps: number;
  /** Whether every pair of spots is as it is on the board. */
  readonly whole: boolean;
  /** Connections of the board that were not found. */
  readonly missing: number;
  /** How many connections were known when the right stage first led for good; undefined where it never did. */
  readonly namedAt: number | undefined;
}

/** A simulated board: it beeps as it is wired, and now and then is misheard. */
class Board {
  beeps = 0;
  private readonly truth: ReadonlyMap<Spot, number>;

  constructor(
    pattern: TracedPattern,
    private readonly wrong: number,
    private readonly random: Random,
  ) {
    this.truth = truthOf(pattern);
  }

  areOne(a: Spot, b: Spot): boolean {
    const [one, two] = [this.truth.get(a), this.truth.get(b)];
    return one !== undefined && one === two;
  }

  beep(a: Spot, b: Spot): TracedFact {
    this.beeps += 1;
    const joined = this.areOne(a, b) !== this.random() < this.wrong;
    return { a, b, found: joined ? 'joined' : 'apart' };
  }

  /** How many connections would make whole what was found. */
  missingIn({ nodeOf }: TracedNet, spots: readonly Spot[]): number {
    const found = new Set(spots.map((spot) => nodeOf.get(spot)!));
    const pieces = new Set([...found].map(({ spots: [first] }) => this.truth.get(first!)));
    return found.size - pieces.size;
  }

  isWhole({ nodeOf }: TracedNet, spots: readonly Spot[]): boolean {
    return spots.every((a, at) =>
      spots.slice(at + 1).every((b) => (nodeOf.get(a) === nodeOf.get(b)) === this.areOne(a, b)),
    );
  }
}

/** The rails of a board: what is marked on it, or was found by its volts. */
const railsOf = ({ nodes }: TracedPattern): Spot[] => nodes.flatMap((spots) => spots.filter(isRail));

/** So many answers that agree settle what is unlikely; more of a beep that hardly can be. */
const agreeing = { usual: 2, unlikely: 3 };

/** An unlikely beep is beeped again until enough answers agree, and so is one against the rest. */
function settled(board: Board, a: Spot, b: Spot, chance: number): TracedFact {
  const first = board.beep(a, b);
  const surprising = first.found === 'joined' ? chance < 0.8 : chance > 0.35;
  if (!surprising) return first;
  const enough = first.found === 'joined' && chance < 0.3 ? agreeing.unlikely : agreeing.usual;
  const answers = [first];
  for (;;) {
    const next = board.beep(a, b);
    answers.push(next);
    if (answers.filter(({ found }) => found === next.found).length === enough) return next;
  }
}

/** Traces a board by what is said to be beeped next, until nothing is left to ask. */
export function traceBoard(
  pattern: TracedPattern,
  library: PatternLibrary,
  { wrong, random }: { readonly wrong: number; readonly random: Random },
): Traced {
  const board = new Board(pattern, wrong, random);
  const parts = pattern.parts;
  const spots = [...parts.flatMap(spotsOf), ...railsOf(pattern)];
  const facts: TracedFact[] = railsOf(pattern)
    .slice(1)
    .map((b) => ({ a: railsOf(pattern)[0]!, b, found: 'apart' }));
  let namedAt: number | undefined;
  let net = netOf(parts, facts);
  for (;;) {
    const believed = library.believe(net);
    const lead = believed[0]!.pattern;
    const known = facts.filter(({ found }) => found === 'joined').length;
    if (lead?.id !== pattern.id) namedAt = undefined;
    else namedAt ??= known;
    const next = nextBeep(net, library, believed);
    if (!next)
      return {
        net,
        beeps: board.beeps,
        whole: board.isWhole(net, spots),
        missing: board.missingIn(net, spots),
        namedAt,
      };
    facts.push(settled(board, next.a, next.b, next.chance));
    net = netOf(parts, facts);
    // What cannot all be true is beeped again, each of it once.
    for (let tries = 0; net.contradictions.length > 0 && tries < 3; tries += 1) {
      const { apart, chain } = net.contradictions[0]!;
      for (const { a, b } of isRail(apart.a) && isRail(apart.b) ? chain : [apart, ...chain])
        facts.push(board.beep(a, b));
      net = netOf(parts, facts);
    }
  }
}

/** Orders in which one traces without being told: pins as they come against nodes as found, or the largest first. */
export type TraceOrder = 'as found' | 'largest first';

/** Traces a board pin by pin against every node found so far. */
export function traceInOrder(
  pattern: TracedPattern,
  order: TraceOrder,
  { wrong, random }: { readonly wrong: number; readonly random: Random },
): Traced {
  const board = new Board(pattern, wrong, random);
  const rails = railsOf(pattern);
  const facts: TracedFact[] = [];
  const nodes: Spot[][] = rails.map((rail) => [rail]);
  const pins = pattern.parts.flatMap(spotsOf);
  for (const pin of pins) {
    const tried = order === 'as found' ? nodes : [...nodes].sort((a, b) => b.length - a.length);
    const home = tried.find((node) => {
      const fact = board.beep(pin, node[0]!);
      facts.push(fact);
      return fact.found === 'joined';
    });
    if (home) home.push(pin);
    else nodes.push([pin]);
  }
  const net = netOf(pattern.parts, facts);
  const spots = [...pins, ...rails];
  return {
    net,
    beeps: board.beeps,
    whole: board.isWhole(net, spots),
    missing: board.missingIn(net, spots),
    namedAt: undefined,
  };
}
