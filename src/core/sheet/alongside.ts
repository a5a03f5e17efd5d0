import { deadRatio } from '../measure';
import { type Sheet } from './sheet';

/** What a net does as a fault forces it: gone, held down, or up. */
const senseOf = (ratio: number): -1 | 0 | 1 => (ratio < deadRatio ? -1 : ratio < 1 ? 0 : 1);

/** Of other nets, by name: the ratio to their nominal. */
type Ratios = ReadonlyMap<string, number>;

/** How far a fault moves a net. */
const moved = (ratio: number): number => Math.abs(1 - ratio);

/** What the listed fault that forces a net in some sense, no other more, and least besides, does to others of its stage. */
function leastWith(sheet: Sheet, net: string, sense: -1 | 0 | 1): Ratios | undefined {
  const maker = [...sheet.blocks.values()].find(({ makes }) => makes.includes(net));
  const inStage = new Set(maker?.stage?.nodes.values());
  // Rails of one supply stand beside each other; a signal is what the next one in its stage is made of.
  if (sheet.nets.get(net)?.kind !== 'signal' || !inStage.has(net)) return undefined;
  const alike = [...sheet.faults.values()].filter(({ part, sets }) => {
    const ratio = sets.get(net);
    if (sheet.parts.get(part)!.block !== maker?.id || ratio === undefined) return false;
    return senseOf(ratio) === sense && [...sets.values()].every((other) => moved(other) <= moved(ratio));
  });
  const [first, ...others] = alike.map(
    ({ sets }) => new Map([...sets].filter(([other]) => other !== net && inStage.has(other))),
  );
  return first && others.reduce((least, one) => (one.size < least.size ? one : least), first);
}

/**
 * What else stands differently inside a block when one of the nets it makes is forced: a base without drive takes emitter
 * and collector with it, whatever part took it away. It is taken from the block’s listed faults; where none only lowers
 * the net, it is half of what goes with its loss.
 *
 * @param ratio what the net is forced to, of its nominal
 * @returns other nets of the block with the ratio to their nominal
 */
export function alongside(sheet: Sheet, net: string, ratio: number): Ratios {
  const sense = senseOf(ratio);
  const listed = leastWith(sheet, net, sense);
  if (listed || sense !== 0) return listed ?? new Map();
  return new Map([...(leastWith(sheet, net, -1) ?? [])].map(([other, lost]) => [other, (1 + lost) / 2]));
}
