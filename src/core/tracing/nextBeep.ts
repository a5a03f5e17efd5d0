import { sumOf } from '../statistics';
import { timesApart, type TracedNet, type TracedNode } from './net';
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
  const unknown = believed.find(({ roles }) => roles === undefined)?.chance ?? 0;
  const { nodes, parts } = net;
  const classes = nodes.map(({ spots }) => spots.map((spot) => classOf(spot, parts)));
  let best: NextBeep | undefined;
  for (const [at, one] of nodes.entries()) {
    const others = [...nodes.keys()].filter((other) => other !== at && timesApart(net, one, nodes[other]!) < 3);
    // By what stages have in common only pins that have no place yet look for one.
    const looks = one.spots.length === 1 && !isRail(one.name);
    const lifts = looks ? others.map((other) => likeness(library, classes[at]![0]!, classes[other]!)) : [];
    const whole = alone + sumOf(lifts, (lift) => lift);
    for (const [index, other] of others.entries()) {
      const two = nodes[other]!;
      const byRole = sumOf(known, ({ roles, chance }) => chance * roles!.joinedNodes(one.spots, two.spots));
      const chance = byRole + unknown * (looks ? lifts[index]! / whole : 0);
      const heard = unheard(chance, timesApart(net, one, two));
      const worth = looks || two.spots.length === 1 ? notWorth.single : notWorth.placed;
      if (heard > worth && (!best || heard > best.chance)) best = { a: leadOn(one), b: leadOn(two), chance: heard };
    }
  }
  return best;
}

/** The chance that two are one although they did not beep so many times. */
function unheard(chance: number, times: number): number {
  if (times === 0) return chance;
  const odds = (Math.min(0.999, chance) / (1 - Math.min(0.999, chance))) * (misheard / (1 - misheard)) ** times;
  return odds / (1 + odds);
}

/** How well a pin sits on a node: its neighbours’ words are averaged and weigh by the root of their number. */
function likeness(library: PatternLibrary, own: string, there: readonly string[]): number {
  const mid = sumOf(there, (one) => Math.log(library.commonRate(own, one))) / there.length;
  return Math.exp(mid) * Math.sqrt(there.length);
}
