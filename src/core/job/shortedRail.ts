import { faultRate } from '../parts';
import { type Minutes, type Ohms } from '../quantity';
import { bitsOf, sumOf } from '../statistics';
import { contactsOf, netOf, type Spot, type Trace, type TracedPart, type TracedShort } from '../tracing';
import { kindOf } from './chassisParts';

/** A part that may be what pulls a place to ground. */
export interface ShortSuspect {
  readonly ref: string;
  /** Parts that lie between, from the place on. */
  readonly through: readonly string[];
  /** Ohms of those in all: less than that the place could not read by it. */
  readonly ohms: Ohms;
  readonly chance: number;
}

/** What to lift next, with what that takes off and the chance that the short goes with it. */
export interface NextLift {
  readonly ref: string;
  readonly takesOff: readonly string[];
  readonly chance: number;
}

export interface FollowedShort {
  /** Likeliest first. */
  readonly suspects: readonly ShortSuspect[];
  /** Whether any one part explains all that was lifted. */
  readonly explained: boolean;
  /** Parts that lie behind too many ohms to make such a short. */
  readonly tooFar: readonly string[];
  /** Undefined where one suspect is as good as certain, or there is none. */
  readonly next: NextLift | undefined;
}

/** A lift is misread, or the short was two, this often. */
const mistaken = 0.03;
/** A suspect as likely as that is to be measured by itself. */
const nearlySure = 0.95;
/** Leads, contacts and the meter add so much, and a share of what is read. */
const slack = { ohms: 1, share: 0.3 } as const;
/** What it takes to have a leg out, by what the part is. */
const lifting: Partial<Record<TracedPart['kind'], Minutes>> = {
  fuse: 0.5,
  plug: 0.5,
  npn: 3,
  pnp: 3,
  nfet: 3,
  pfet: 3,
  chip: 8,
};
const usualLifting: Minutes = 2;

/** Ohms that direct current meets in a part on its way; undefined where a part lets none on. */
function ohmsThrough({ kind, value }: TracedPart): Ohms | undefined {
  if (kind === 'coil' || kind === 'fuse' || kind === 'diode' || kind === 'plug') return 0;
  return kind === 'resistor' || kind === 'trimmer' ? (value ?? 0) : undefined;
}

interface Way {
  readonly through: readonly string[];
  readonly ohms: Ohms;
}

/**
 * Follows a short outwards: every part that hangs on the place, or on what direct current reaches from it, weighed by how
 * often such parts short, less those behind more ohms than were read; and what to lift to halve them.
 */
export function followShort(
  { parts: traced, facts }: Pick<Trace, 'parts' | 'facts'>,
  { at, ohms: read, lifts }: TracedShort,
): FollowedShort {
  const net = netOf(traced, facts, 'open');
  const ground = net.nodeOf.get('gnd')?.name;
  const nodesOf = ({ ref, pins }: TracedPart) => pins.map((pin) => net.nodeOf.get(`${ref}.${pin}`)!.name);
  const parts = [...net.parts.values()];
  /** The nearest way to each node that direct current reaches from the place. */
  const reached = (without?: string): Map<string, Way> => {
    const start = net.nodeOf.get(at)?.name;
    const ways = new Map<string, Way>(start === undefined ? [] : [[start, { through: [], ohms: 0 }]]);
    for (let changed = true; changed;) {
      changed = false;
      for (const part of parts) {
        const ohms = ohmsThrough(part);
        if (ohms === undefined || part.ref === without) continue;
        for (const [fromSpot, toSpot] of waysThrough(part)) {
          const [from, to] = [net.nodeOf.get(fromSpot)!.name, net.nodeOf.get(toSpot)!.name];
          const way = ways.get(from);
          if (!way || from === to || to === ground) continue;
          const on = { through: [...way.through, part.ref], ohms: way.ohms + ohms };
          if (on.ohms >= (ways.get(to)?.ohms ?? Infinity)) continue;
          ways.set(to, on);
          changed = true;
        }
      }
    }
    return ways;
  };
  const ways = reached();
  /** The nearest way to a part that may pull what it hangs on to ground. */
  const wayTo = (part: TracedPart, among: ReadonlyMap<string, Way>): Way | undefined => {
    if (part.kind === 'plug') return undefined;
    const nodes = nodesOf(part);
    const hasOpenPin = part.pins.some((pin) => net.nodeOf.get(`${part.ref}.${pin}`)!.spots.length === 1);
    const may =
      (ground !== undefined && nodes.includes(ground)) ||
      nodes.length > 2 ||
      (ohmsThrough(part) === undefined && hasOpenPin);
    if (!may) return undefined;
    return nodes
      .flatMap((node) => among.get(node) ?? [])
      .reduce<Way | undefined>((best, way) => (best && best.ohms <= way.ohms ? best : way), undefined);
  };
  const reach = read * (1 + slack.share) + slack.ohms;
  const hanging = parts.flatMap((part) => {
    const way = wayTo(part, ways);
    return way ? [{ part, way }] : [];
  });
  const near = hanging.filter(({ way }) => way.ohms <= reach);
  /** What hangs on the place no more with a part lifted, or a plug pulled. */
  const takenOff = (ref: string): ReadonlySet<string> => {
    const left = reached(ref);
    return new Set(near.filter(({ part }) => part.ref === ref || !wayTo(part, left)).map(({ part }) => part.ref));
  };
  const off = lifts.map(({ ref, gone }) => ({ taken: takenOff(ref), gone }));
  /** How many lifts a part does not explain. */
  const against = near.map(({ part }) => off.filter(({ taken, gone }) => taken.has(part.ref) !== gone).length);
  const weights = near.map(
    ({ part }, place) =>
      faultRate({ kind: kindOf(part), heat: false }, 'short') *
      mistaken ** against[place]! *
      (1 - mistaken) ** (lifts.length - against[place]!),
  );
  const all = sumOf(weights, (weight) => weight);
  const suspects = near
    .map(({ part: { ref }, way }, place): ShortSuspect => ({ ref, ...way, chance: weights[place]! / all }))
    .sort((a, b) => b.chance - a.chance || a.through.length - b.through.length);
  return {
    suspects,
    explained: near.length === 0 || against.includes(0),
    tooFar: hanging.filter((one) => !near.includes(one)).map(({ part }) => part.ref),
    next: nextLift(suspects, parts, takenOff, new Set(lifts.map(({ ref }) => ref))),
  };
}

/** The ways that direct current takes through a part: a junction lets it on from its anode alone, a plug contact by contact. */
function waysThrough(part: TracedPart): (readonly [from: Spot, to: Spot])[] {
  const { ref, kind, pins } = part;
  if (kind === 'diode') return [[`${ref}.a`, `${ref}.k`]];
  if (kind === 'plug')
    return contactsOf(part).flatMap(([near, far]) => [
      [near, far],
      [far, near],
    ]);
  return pins.flatMap((from) =>
    pins.flatMap((to) => (from === to ? [] : [[`${ref}.${from}`, `${ref}.${to}`] as const])),
  );
}

/** Of all that can be lifted what tells most for its minutes. */
function nextLift(
  suspects: readonly ShortSuspect[],
  parts: readonly TracedPart[],
  takenOff: (ref: string) => ReadonlySet<string>,
  lifted: ReadonlySet<string>,
): NextLift | undefined {
  if (suspects.length === 0 || suspects[0]!.chance >= nearlySure) return undefined;
  let best: (NextLift & { readonly worth: number }) | undefined;
  for (const { ref, kind } of parts) {
    if (lifted.has(ref)) continue;
    const off = takenOff(ref);
    const takesOff = suspects.filter((one) => off.has(one.ref));
    const chance = sumOf(takesOff, (one) => one.chance);
    const worth = (bitsOf(chance) + bitsOf(1 - chance)) / (lifting[kind] ?? usualLifting);
    if (worth > 0 && (!best || worth > best.worth + 1e-12))
      best = { ref, takesOff: takesOff.map((one) => one.ref), chance, worth };
  }
  return best && { ref: best.ref, takesOff: best.takesOff, chance: best.chance };
}
