import { contactsOf, isBody, isRail, type Spot, type TracedNet, type TracedPart } from '../tracing';

/** The node that a spot is on; a rail that nothing is on yet is one by itself. */
export const nodeAt = (net: TracedNet, spot: Spot): string => net.nodeOf.get(spot)?.name ?? spot;

/** A way through a part, from one of its pins to another, with how far out of the way that is. */
export interface Passage {
  readonly part: TracedPart;
  readonly from: Spot;
  readonly to: Spot;
  readonly steps: number;
}

/** Through a chip that is known by its pins alone anything may lead anywhere: it is passed where nothing else leads on. */
const chipSteps = 6;

/** Inputs of an active part and what they drive. */
export const drives: Partial<Record<TracedPart['kind'], readonly (readonly [string, string])[]>> = {
  npn: [
    ['b', 'c'],
    ['b', 'e'],
    ['e', 'c'],
  ],
  pnp: [
    ['b', 'c'],
    ['b', 'e'],
    ['e', 'c'],
  ],
  nfet: [
    ['g', 'd'],
    ['g', 's'],
    ['s', 'd'],
  ],
  pfet: [
    ['g', 'd'],
    ['g', 's'],
    ['s', 'd'],
  ],
};

/** The ways on through a part: along its drive, through its contacts, from anode to cathode, or between any two of its pins. */
export function passagesOf(part: TracedPart): Passage[] {
  const { ref, kind, pins } = part;
  const contacts = contactsOf(part).flatMap(([near, far]) => [[near, far] as const, [far, near] as const]);
  if (kind === 'plug') return contacts.map(([from, to]) => ({ part, from, to, steps: 1 }));
  const steps = kind === 'chip' ? chipSteps : 1;
  const among = () => pins.flatMap((from) => pins.flatMap((to) => (from === to ? [] : [[from, to] as const])));
  const ways = kind === 'diode' ? ([['a', 'k']] as const) : (drives[kind] ?? among());
  return ways.map(([from, to]) => ({ part, from: `${ref}.${from}`, to: `${ref}.${to}`, steps }));
}

/** The shortest way from a node, or back from it, to every other: the passage by which each is come to. */
export function waysFrom(
  net: TracedNet,
  start: string,
  passages: readonly Passage[],
): ReadonlyMap<string, { readonly steps: number; readonly last: Passage | undefined }> {
  const name = (spot: Spot) => nodeAt(net, spot);
  const ways = new Map<string, { steps: number; last: Passage | undefined }>([[start, { steps: 0, last: undefined }]]);
  for (let changed = true; changed;) {
    changed = false;
    for (const passage of passages) {
      const [from, to] = [name(passage.from), name(passage.to)];
      const way = ways.get(from);
      // What comes to a rail or to the ground goes no further.
      if (!way || from === to || (isRail(from) && from !== start)) continue;
      const steps = way.steps + passage.steps;
      if (steps >= (ways.get(to)?.steps ?? Infinity)) continue;
      ways.set(to, { steps, last: passage });
      changed = true;
    }
  }
  return ways;
}

export const reversed = (passage: Passage): Passage => ({ ...passage, from: passage.to, to: passage.from });

/** Where a path that nobody said the beginning of comes from: the nearest chip that leads there. */
export function nearestSource(net: TracedNet, to: Spot, passages: readonly Passage[]): Spot | undefined {
  const back = waysFrom(net, nodeAt(net, to), passages.filter(({ part }) => part.kind !== 'chip').map(reversed));
  let nearest: { readonly spot: Spot; readonly steps: number } | undefined;
  for (const { ref, kind, pins } of net.parts.values())
    for (const pin of kind === 'chip' ? pins : []) {
      const spot = `${ref}.${pin}`;
      const node = nodeAt(net, spot);
      const way = isRail(node) || spot === to ? undefined : back.get(node);
      if (way && way.steps < (nearest?.steps ?? Infinity)) nearest = { spot, steps: way.steps };
    }
  return nearest?.spot;
}

/** A way from pin to pin, with the passages through parts on it. */
export interface Route {
  readonly spots: readonly Spot[];
  readonly taken: readonly Passage[];
}

/** The way from a spot to another, from pin to pin, with the passages between; undefined where nothing leads there. */
export function routeOf(net: TracedNet, from: Spot, to: Spot, passages: readonly Passage[]): Route | undefined {
  const name = (spot: Spot) => nodeAt(net, spot);
  const ways = waysFrom(net, name(from), passages);
  if (!ways.has(name(to))) return undefined;
  const taken: Passage[] = [];
  for (let at = name(to); ;) {
    const { last } = ways.get(at)!;
    if (!last) break;
    taken.unshift(last);
    at = name(last.from);
  }
  const spots = [from, ...taken.flatMap((passage) => [passage.from, passage.to]), to];
  return { spots: spots.filter((spot, place) => spot !== spots[place - 1]), taken };
}

/** Where the ways from a spot end, as far as they are known: a pin of a plug or of a chip, where one is there. */
export function endsOf(net: TracedNet, from: Spot, passages: readonly Passage[]): Spot[] {
  const name = (spot: Spot) => nodeAt(net, spot);
  const known = passages.filter(({ part }) => part.kind !== 'chip');
  const ways = waysFrom(net, name(from), known);
  const passed = new Set([...ways].flatMap(([to, { last }]) => (last && !isRail(to) ? [name(last.from)] : [])));
  return net.nodes
    .filter((node) => ways.has(node.name) && !passed.has(node.name) && !isRail(node.name))
    .map(({ spots }) => spots.find((spot) => isBody(net.parts.get(spot.split('.')[0]!)!)) ?? spots[0]!);
}
