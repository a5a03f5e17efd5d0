import { mean, sumOf } from '../statistics';
import { isAlone, type TracedNet, type TracedNode } from './net';
import { classOf, isRail, type Spot } from './part';
import { type Believed, type PatternLibrary } from './library';

/** Two spots to beep, with the chance that they do. */
export interface NextBeep {
  readonly a: Spot;
  readonly b: Spot;
  readonly chance: number;
}

/** What is less likely than this is not asked; a pin that has no place at all is worth more. */
const notWorth = { placed: 0.03, single: 0.006 };
/** So seldom a beep is missed, or heard where there is none. */
const misheard = 0.02;
/** No beep is surer than this. */
const surely = 0.999;
/** What did not beep so many times is not asked again. */
const enough = 3;
/** A pin may be where no stage has it, whatever the board is: makers differ. */
const otherwise = 0.1;
/** Two pins that beeped less likely than this, and with nothing else yet, have no place either. */
const astray = 0.6;
/** A stage is taken for what it is called from here on. */
const leads = 0.5;
/** A pin may lead off the board. */
const alone = 0.02;

/** A spot of a node to put a lead on: a rail by its name, else a pin. */
const leadOn = ({ name, spots }: TracedNode): Spot => (isRail(name) ? name : spots[0]!);

/**
 * What to beep next: the two nodes that most likely are one.
 *
 * Where the board is a known stage, its roles say what belongs together; where it is none, how such pins sit in all
 * stages does, and each answer that a pin is not on a node makes the others likelier.
 *
 * @returns undefined when no pair that is left is worth a beep
 */
export function nextBeep(net: TracedNet, library: PatternLibrary, believed: Believed): NextBeep | undefined {
  const known = believed.filter(({ roles, chance }) => roles !== undefined && chance > 0.05);
  const unknown = Math.max(otherwise, believed.find(({ roles }) => roles === undefined)?.chance ?? 0);
  const { nodes, parts } = net;
  const count = nodes.length;
  const classes = nodes.map(({ spots }) => spots.map((spot) => classOf(spot, parts)));
  const times = timesApartOf(net);
  const byRole = byRolesOf(net, known, times);
  const lifts = new Float64Array(count);
  let best: NextBeep | undefined;
  for (let at = 0; at < count; at += 1) {
    const one = nodes[at]!;
    // By what stages have in common only pins that have no place yet look for one.
    const looks = hasNoPlace(one, known);
    let whole = alone;
    for (let other = 0; looks && other < count; other += 1) {
      const tried = times[at * count + other]!;
      if (other === at || tried >= enough) continue;
      lifts[other] = mean(classes[at]!.map((own) => likeness(library, own, classes[other]!))) * misheard ** tried;
      whole += lifts[other]!;
    }
    for (let other = 0; other < count; other += 1) {
      const tried = times[at * count + other]!;
      if (other === at || tried >= enough) continue;
      const two = nodes[other]!;
      const lift = looks ? (unknown * lifts[other]!) / whole : 0;
      const heard = Math.min(surely, unheard(byRole[at * count + other]!, tried) + lift);
      const worth = looks || isAlone(two) ? notWorth.single : notWorth.placed;
      if (heard > worth && (!best || heard > best.chance)) best = { a: leadOn(one), b: leadOn(two), chance: heard };
    }
  }
  return best;
}

/** The chance by the roles of known stages that two nodes are one, row by row. */
function byRolesOf({ nodes }: TracedNet, known: Believed, times: Float64Array): Float64Array {
  const count = nodes.length;
  const byRole = new Float64Array(count * count);
  for (const { roles, chance } of known)
    for (let one = 0; one < count; one += 1)
      for (let two = 0; two < one; two += 1) {
        if (times[one * count + two]! >= enough) continue;
        const both = chance * roles!.joinedNodes(nodes[one]!.spots, nodes[two]!.spots);
        byRole[one * count + two]! += both;
        byRole[two * count + one]! += both;
      }
  return byRole;
}

/** Does a node still look for its place: a pin alone, or two that no stage has together? */
function hasNoPlace(node: TracedNode, known: Believed): boolean {
  if (isRail(node.name)) return false;
  if (isAlone(node)) return true;
  const [first, second, ...more] = node.spots;
  const [lead] = known;
  return more.length === 0 && lead !== undefined && lead.chance > leads && lead.roles!.joined(first!, second!) < astray;
}

/** How often each two nodes did not beep, row by row; two rails never are one. */
function timesApartOf({ nodes, apart }: TracedNet): Float64Array {
  const count = nodes.length;
  const times = new Float64Array(count * count);
  const rails = [...nodes.keys()].filter((at) => isRail(nodes[at]!.name));
  for (const one of rails) for (const two of rails) times[one * count + two] = Infinity;
  const places = new Map(nodes.map(({ name }, at) => [name, at]));
  for (const [pair, often] of apart) {
    const [one, two] = pair.split('|').map((name) => places.get(name)!) as [number, number];
    times[one * count + two] = Math.max(often, times[one * count + two]!);
    times[two * count + one] = Math.max(often, times[two * count + one]!);
  }
  return times;
}

/** The chance that two are one although they did not beep so many times. */
function unheard(chance: number, times: number): number {
  if (times === 0) return chance;
  const odds = (Math.min(surely, chance) / (1 - Math.min(surely, chance))) * (misheard / (1 - misheard)) ** times;
  return odds / (1 + odds);
}

/** How well a pin sits on a node: its neighbours’ words are averaged and weigh by the root of their number. */
function likeness(library: PatternLibrary, own: string, there: readonly string[]): number {
  const mid = sumOf(there, (one) => Math.log(library.commonRate(own, one))) / there.length;
  return Math.exp(mid) * Math.sqrt(there.length);
}
