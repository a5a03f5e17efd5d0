import { beepOhms, type TracedFact } from './fact';
import { contactsOf, isRail, type Spot, spotsOf, type TracedPart } from './part';

/** Spots that are one. */
export interface TracedNode {
  /** A rail’s own name, or `n1`, `n2` in the order in which they were found. */
  readonly name: string;
  readonly spots: readonly Spot[];
}

/** Is a node a pin that leads nowhere yet, or one contact of a plug that does not? */
export const isAlone = ({ spots: [first, second, ...more] }: TracedNode): boolean =>
  more.length === 0 && (second === undefined || second === `${first!}f` || first === `${second}f`);

/** Facts that cannot all be true: a chain of beeps between two spots that did not beep. */
export interface Contradiction {
  readonly apart: TracedFact;
  readonly chain: readonly TracedFact[];
}

/** A part that beeps by itself with both its ends on one node: a beep that went through it was taken for copper. */
export interface BeptThrough {
  readonly ref: string;
  readonly chain: readonly TracedFact[];
}

/** What the facts come to. */
export interface TracedNet {
  readonly parts: ReadonlyMap<string, TracedPart>;
  readonly nodes: readonly TracedNode[];
  /** The node of each spot. */
  readonly nodeOf: ReadonlyMap<Spot, TracedNode>;
  readonly contradictions: readonly Contradiction[];
  readonly beptThrough: readonly BeptThrough[];
  /** How often pairs of nodes did not beep, by their names in order of the alphabet. */
  readonly apart: ReadonlyMap<string, number>;
  /** All that was found, and what of it stands: one finding a pair of spots. */
  readonly facts: readonly TracedFact[];
  readonly standing: readonly TracedFact[];
}

/** A pair by its names, in the order of the alphabet. */
export const pairOf = (a: string, b: string) => (a < b ? `${a}|${b}` : `${b}|${a}`);

/** Does it beep across a part: a coil, a fuse, a resistor of next to nothing? */
const beeps = ({ kind, value }: TracedPart): boolean =>
  kind === 'coil' || kind === 'fuse' || (kind === 'resistor' && value !== undefined && value < beepOhms);

/** Of one pair that was beeped several times what was found more often stands, of as often what was found last. */
function standingFacts(facts: readonly TracedFact[]): TracedFact[] {
  const pairs = new Map<string, { votes: number; last: TracedFact }>();
  for (const fact of facts) {
    const key = pairOf(fact.a, fact.b);
    const votes = (pairs.get(key)?.votes ?? 0) + (fact.found === 'joined' ? 1 : -1);
    pairs.set(key, { votes, last: fact });
  }
  return [...pairs.values()].map(({ votes, last }) =>
    votes === 0 ? last : { ...last, found: votes > 0 ? 'joined' : 'apart' },
  );
}

/**
 * What the facts come to: spots that beeped are one node. The facts are all there is; one that is taken back, in any
 * order, is as if it had never been.
 *
 * @param plugs whether a plug that nothing was found about makes contact, or is open, so that what lies behind it is told apart
 */
export function netOf(
  parts: readonly TracedPart[],
  found: readonly TracedFact[],
  plugs: 'joined' | 'open' = 'joined',
): TracedNet {
  const contacts = plugs === 'open' ? [] : parts.flatMap(contactsOf);
  const facts = [...contacts.map(([a, b]): TracedFact => ({ a, b, found: 'joined' })), ...found];
  const low = parts.filter(beeps);
  // A beep across such a part says that it is whole, and nothing of copper.
  const across = new Set(low.map(({ ref, pins: [one, other] }) => pairOf(`${ref}.${one}`, `${ref}.${other}`)));
  const standing = standingFacts(facts).filter((fact) => fact.found === 'apart' || !across.has(pairOf(fact.a, fact.b)));
  const known = new Map(parts.map((part) => [part.ref, part]));
  // Every board has a ground, whether anything was found on it or not.
  const ground = parts.length > 0 ? ['gnd'] : [];
  const spots = [...new Set([...parts.flatMap(spotsOf), ...facts.flatMap(({ a, b }) => [a, b]), ...ground])];
  const root = new Map(spots.map((spot) => [spot, spot]));
  const find = (spot: Spot): Spot => {
    let at = spot;
    while (root.get(at) !== at) at = root.get(at)!;
    root.set(spot, at);
    return at;
  };
  for (const { a, b, found } of standing) if (found === 'joined') root.set(find(a), find(b));
  const groups = new Map<Spot, Spot[]>();
  for (const spot of spots) groups.set(find(spot), [...(groups.get(find(spot)) ?? []), spot]);
  let unnamed = 0;
  const nodes = [...groups.values()].map((group): TracedNode => {
    const rail = group.find(isRail);
    if (rail === undefined) unnamed += 1;
    return { name: rail ?? `n${unnamed}`, spots: group };
  });
  const nodeOf = new Map(nodes.flatMap((node) => node.spots.map((spot) => [spot, node] as const)));
  const contradictions: Contradiction[] = [];
  const apart = new Map<string, number>();
  for (const fact of standing) {
    if (fact.found !== 'apart') continue;
    const [a, b] = [nodeOf.get(fact.a)!, nodeOf.get(fact.b)!];
    if (a === b) contradictions.push({ apart: fact, chain: chainOf(fact.a, fact.b, standing) });
    else {
      const key = pairOf(a.name, b.name);
      apart.set(
        key,
        (apart.get(key) ?? 0) + facts.filter((one) => pairOf(one.a, one.b) === pairOf(fact.a, fact.b)).length,
      );
    }
  }
  // Two rails on one node are two facts against each other as well.
  for (const { spots: group } of nodes) {
    const [first, second] = group.filter(isRail);
    if (first !== undefined && second !== undefined)
      contradictions.push({ apart: { a: first, b: second, found: 'apart' }, chain: chainOf(first, second, standing) });
  }
  const beptThrough = low.flatMap(({ ref, pins }): BeptThrough[] => {
    const [one, other] = pins.map((pin) => `${ref}.${pin}`) as [Spot, Spot];
    return nodeOf.get(one) === nodeOf.get(other) ? [{ ref, chain: chainOf(one, other, standing) }] : [];
  });
  return { parts: known, nodes, nodeOf, contradictions, beptThrough, apart, facts, standing };
}

/** The fewest beeps that lead from one spot to another. */
function chainOf(from: Spot, to: Spot, facts: readonly TracedFact[]): TracedFact[] {
  const came = new Map<Spot, TracedFact | undefined>([[from, undefined]]);
  for (const spot of came.keys()) {
    if (spot === to) break;
    for (const fact of facts) {
      if (fact.found !== 'joined' || (fact.a !== spot && fact.b !== spot)) continue;
      const next = fact.a === spot ? fact.b : fact.a;
      if (!came.has(next)) came.set(next, fact);
    }
  }
  const chain: TracedFact[] = [];
  for (let at = to; ;) {
    const fact = came.get(at);
    if (!fact) return chain.reverse();
    chain.push(fact);
    at = fact.a === at ? fact.b : fact.a;
  }
}

/** `Q5.b – R12.1 – R3.2`: the spots of a chain of beeps. */
const chainText = (from: Spot, chain: readonly TracedFact[]): string =>
  chain
    .reduce<Spot[]>(
      (path, { a, b }) => [...path, path[path.length - 1] === a ? b : path[path.length - 1] === b ? a : b],
      [from],
    )
    .join(' – ');

/** `L1.1 – Q5.c – R3.1 – L1.2 beep, and L1 beeps by itself`, with how to take back the likeliest to have gone through it. */
export function beptThroughText({ ref, chain }: BeptThrough): string {
  const isItsPin = (spot: Spot) => spot.startsWith(`${ref}.`);
  const { a, b } = chain.find((fact) => !isItsPin(fact.a) && !isItsPin(fact.b)) ?? chain[chain.length - 1]!;
  return `${chainText(`${ref}.1`, chain)} beep, and ${ref} beeps by itself: lift a leg of it and beep again. What went through it is written ${a} not ${b}`;
}

/** `Q5.b – R12.1 – R3.2 beep, but Q5.b and R3.2 do not`. */
export function contradictionText({ apart, chain }: Contradiction): string {
  const said = isRail(apart.a) && isRail(apart.b) ? 'are two rails' : 'did not beep';
  return `${chainText(apart.a, chain)} beep, but ${apart.a} and ${apart.b} ${said}: beep the shortest of these again`;
}
