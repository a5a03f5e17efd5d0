import { faultModes, type FaultMode, faultRate, partKinds } from '../parts';
import { bitsOf, sumOf } from '../statistics';
import { isRail, netOf, type Spot, type Trace, type TracedNet, type TracedPart, type TracedPath } from '../tracing';
import { kindOf } from './chassisParts';
import {
  drives,
  endsOf,
  nearestSource,
  nodeAt,
  type Passage,
  passagesOf,
  reversed,
  type Route,
  routeOf,
  waysFrom,
} from './tracedWays';

/** What may stop something on its way. */
export interface PathSuspect {
  /** A part that lets nothing on, the copper or a joint between two pins, a part that pulls a place down, or what gives it. */
  readonly kind: 'part' | 'joint' | 'shunt' | 'source';
  /** The part; of copper and of what gives it the pins it lies between. */
  readonly what: string;
  readonly chance: number;
}

/** The way that something goes from pin to pin, and what stops it. */
export interface FollowedPath {
  /** Pins in the order in which it comes to them; empty where what was traced leads from none to the other. */
  readonly route: readonly Spot[];
  /** Where the way is not traced yet: pins that it comes to, or comes from, and from which nothing leads on. */
  readonly ends: readonly Spot[];
  /** Likeliest first. */
  readonly suspects: readonly PathSuspect[];
  /** Whether any one of these explains all that was found. */
  readonly explained: boolean;
  /** Where it was looked for beside the way. */
  readonly beside: readonly Spot[];
  /** Where to look next, with the chance that it is gone there; undefined where nothing tells more. */
  readonly next: { readonly at: Spot; readonly gone: number } | undefined;
}

/** A look is mistaken this often. */
const mistaken = 0.03;
/** A suspect as likely as that is to be measured by itself. */
const nearlySure = 0.95;
/** How often copper between two pins is broken, or a joint at either end, beside the rates of parts. */
const brokenCopper = 0.4;
/** What gives it does not, as often as a chip fails. */
const silentSource = faultRate({ kind: 'ic', heat: false }, 'dead');
/** A part beside which there is another way lets less go wrong by being open. */
const bypassed = 0.3;
/** What is pulled down draws down what lies before it as well so often, where ohms lie between. */
const drawnDownBehindOhms = 0.25;
/** A look that tells less is not worth its minute. */
const leastBits = 0.08;

/** How often a part fails so that nothing goes on through it, and so that it pulls down what hangs on it. */
function ratesOf(part: TracedPart): { readonly stops: number; readonly short: number } {
  const kind = kindOf(part);
  const rate = (mode: FaultMode) => faultRate({ kind, heat: false }, mode);
  // What is shorted still lets on, unless it is to drive what comes behind it.
  const letsOn = (mode: FaultMode) =>
    faultModes[mode].repair === 'adjust' || (!drives[part.kind] && (mode === 'short' || mode === 'leaky'));
  const modes = (Object.keys(partKinds[kind].rates) as FaultMode[]).filter((mode) => !letsOn(mode));
  return { stops: sumOf(modes, rate), short: rate('short') };
}

/** What stops it where. */
interface Stop extends Omit<PathSuspect, 'chance'> {
  readonly weight: number;
  /** Whether it is gone at a place of the route. */
  goneAt(place: number): boolean;
}

const noOhms = ({ kind }: TracedPart): boolean => kind === 'coil' || kind === 'fuse' || kind === 'plug';

/** All that may stop something on its route. */
function stopsOn(net: TracedNet, { spots, taken }: Route, passages: readonly Passage[]): Stop[] {
  const name = (spot: Spot) => nodeAt(net, spot);
  const from = (first: number) => (place: number) => place >= first;
  /** Does a passage lie outside a stretch of the route? */
  const outside = (passage: Passage, first: number, last: number) => {
    const at = spots.indexOf(passage.from);
    return at < first || at >= last;
  };
  const on = new Set(taken.map(({ part }) => part.ref));
  const stops: Stop[] = [{ kind: 'source', what: spots[0]!, weight: silentSource, goneAt: from(0) }];
  for (const [place, spot] of spots.entries()) {
    const before = spots[place - 1];
    if (before === undefined) continue;
    const passage = taken.find((one) => one.from === before && one.to === spot);
    if (!passage) {
      stops.push({ kind: 'joint', what: `${before} – ${spot}`, weight: brokenCopper, goneAt: from(place) });
      continue;
    }
    const { part } = passage;
    const others = passages.filter((one) => one.part.ref !== part.ref);
    const isBypassed = waysFrom(net, name(before), others).has(name(spot));
    const weight = ratesOf(part).stops * (isBypassed ? bypassed : 1);
    stops.push({ kind: 'part', what: part.ref, weight, goneAt: from(place) });
  }
  const nodes = [...new Set(spots.map(name))].filter((node) => !isRail(node));
  for (const part of net.parts.values()) {
    if (on.has(part.ref) || part.kind === 'chip' || part.kind === 'plug') continue;
    const hangs = nodes.find((node) => part.pins.some((pin) => name(`${part.ref}.${pin}`) === node));
    if (hangs === undefined || part.pins.every((pin) => name(`${part.ref}.${pin}`) === hangs)) continue;
    const first = spots.findIndex((spot) => name(spot) === hangs);
    /** What lies before it without any ohms between is gone with it; behind ohms all is, or nothing. */
    const drawn = spots.findIndex((_, place) => taken.every((one) => noOhms(one.part) || outside(one, place, first)));
    const weight = ratesOf(part).short;
    stops.push(
      { kind: 'shunt', what: part.ref, weight: weight * drawnDownBehindOhms, goneAt: from(0) },
      { kind: 'shunt', what: part.ref, weight: weight * (1 - drawnDownBehindOhms), goneAt: from(drawn) },
    );
  }
  return stops;
}

/** The chance of finding it there, or gone. */
const chanceOf = (there: boolean, isGone: boolean): number => (there === isGone ? mistaken : 1 - mistaken);

/** Stops of one name as one suspect. */
function suspectsOf(stops: readonly Stop[], chances: readonly number[]): PathSuspect[] {
  const suspects = new Map<string, PathSuspect>();
  for (const [s, { kind, what }] of stops.entries()) {
    const key = `${kind} ${what}`;
    suspects.set(key, { kind, what, chance: (suspects.get(key)?.chance ?? 0) + chances[s]! });
  }
  return [...suspects.values()].sort((a, b) => b.chance - a.chance);
}

/**
 * Follows a signal, a drive or a supply along what was traced, from pin to pin and through plugs to other boards: what
 * may stop it, weighed by how often such things fail and by where it was found there or gone; and where to look next,
 * which halves what is left.
 */
export function followPath(
  { parts, facts }: Pick<Trace, 'parts' | 'facts'>,
  { from: said, to, looks }: TracedPath,
): FollowedPath {
  const net = netOf(parts, facts, 'open');
  const passages = parts.flatMap(passagesOf);
  const from = said ?? nearestSource(net, to, passages);
  const route = from === undefined ? undefined : routeOf(net, from, to, passages);
  if (!route || from === undefined) {
    const back = endsOf(net, to, passages.map(reversed));
    const ends = [...new Set([...(said === undefined ? [] : endsOf(net, said, passages)), ...back])];
    return { route: [], ends, suspects: [], explained: true, beside: [], next: undefined };
  }
  const { spots } = route;
  const placeOf = (spot: Spot) => {
    const place = spots.indexOf(spot);
    return place >= 0 ? place : spots.findIndex((one) => nodeAt(net, one) === nodeAt(net, spot));
  };
  const found = looks.map((look) => ({ ...look, place: placeOf(look.at) }));
  const onWay = found.filter(({ place }) => place >= 0);
  const stops = stopsOn(net, route, passages);
  const weights = stops.map(({ weight, goneAt }) =>
    onWay.reduce((so, { there, place }) => so * chanceOf(there, goneAt(place)), weight),
  );
  const all = sumOf(weights, (weight) => weight);
  const chances = weights.map((weight) => weight / all);
  const suspects = suspectsOf(stops, chances);
  const explains = ({ goneAt }: Stop) => onWay.every(({ there, place }) => there !== goneAt(place));
  return {
    route: spots,
    ends: [],
    suspects,
    explained: stops.some(explains),
    beside: found.filter(({ place }) => place < 0).map(({ at }) => at),
    next: suspects[0]!.chance >= nearlySure ? undefined : nextLook(spots, looks, stops, chances),
  };
}

/** Of the pins where nobody has looked the one that tells most; the first of those that tell as much. */
function nextLook(
  spots: readonly Spot[],
  looks: TracedPath['looks'],
  stops: readonly Stop[],
  chances: readonly number[],
): FollowedPath['next'] {
  const asked = new Set(looks.map(({ at }) => at));
  const bitsAt = (chance: number) => bitsOf(chance) + bitsOf(1 - chance);
  let best: { readonly at: Spot; readonly gone: number; readonly bits: number } | undefined;
  for (const [place, at] of spots.entries()) {
    if (asked.has(at)) continue;
    const seenGone = stops.map(({ goneAt }) => chanceOf(false, goneAt(place)));
    const gone = sumOf(chances.keys(), (s) => chances[s]! * seenGone[s]!);
    const bits = bitsAt(gone) - bitsAt(mistaken);
    if (bits > leastBits && bits > (best?.bits ?? 0) + 1e-12) best = { at, gone, bits };
  }
  return best && { at: best.at, gone: best.gone };
}
