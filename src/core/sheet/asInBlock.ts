import { sumOf } from '../statistics';
import { lesserId } from './consequences';
import { type Effect } from './likeListed';
import { type Fault } from './sheet';

/** How much of what a part found at the bench does is what was said of it, and no more than that. */
const atItsWord = 0.5;

/** How far a net is moved. */
const moved = (ratio: number): number => Math.abs(1 - ratio);

/** Does something else in the block do to a net what a fault is said to do to it, and nothing more to another? */
function isLike({ sets, shorts, ripples }: Fault, effect: Effect): boolean {
  const found = [...(effect.sets ?? [])];
  const most = Math.max(0, ...found.map(([, ratio]) => moved(ratio)));
  const sameWay = (net: string, ratio: number) => {
    const said = shorts.includes(net) ? 0 : sets.get(net);
    return said !== undefined && ratio < 1 === said < 1 && moved(ratio) === most;
  };
  return (
    found.some(([net, ratio]) => sameWay(net, ratio)) ||
    effect.shorts?.some((net) => shorts.includes(net)) === true ||
    (sets.size === 0 && effect.ripples?.some((net) => ripples.includes(net)) === true)
  );
}

/**
 * A fault of a part that was found at the bench, of which only the net is known that it takes away or alters. By how
 * much, and what goes with that, is left as open as it is of anything unlisted in its block: a base without drive takes
 * emitter and collector with it, whatever part took it away.
 *
 * @param effects of what is unlisted in its block
 */
export function asInBlock(fault: Fault, effects: readonly Effect[]): Fault[] {
  const alike = effects.filter((effect) => isLike(fault, effect));
  if (alike.length === 0) return [fault];
  const together = sumOf(alike, ({ share }) => share);
  return [
    { ...fault, weight: fault.weight * atItsWord },
    ...alike.map((effect): Fault => ({
      ...fault,
      id: `${lesserId(fault.id)}${effect.name}`,
      degreeOf: fault.id,
      weight: (fault.weight * (1 - atItsWord) * effect.share) / together,
      sets: new Map(effect.sets),
      shorts: effect.shorts ?? [],
      ripples: effect.ripples ?? [],
      opens: effect.opens ?? [],
      signs: effect.signs ?? fault.signs,
      shows: effect.shows ?? [],
    })),
  ];
}
