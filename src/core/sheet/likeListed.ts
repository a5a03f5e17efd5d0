import { deadRatio } from '../measure';
import { faultRate } from '../parts';
import { isDamage } from '../picture';
import { kept } from '../recent';
import { sumOf } from '../statistics';
import { type Mirrored, mirroredFaults } from './mirrored';
import { type Fault, type Part, type Sheet } from './sheet';

/** Stands among what a fault shows for any mark whatever. */
export const anyMark = 'any';

/** What something unlisted in a block may do, with how much of what is unlisted there does that. */
export interface Effect extends Partial<
  Pick<Fault, 'shorts' | 'ripples' | 'opens' | 'signs' | 'shows' | 'reads' | 'appears' | 'like'>
> {
  readonly name: string;
  readonly title: string;
  readonly share: number;
  readonly sets?: Iterable<readonly [net: string, ratio: number]>;
}

const mirrored = new WeakMap<Sheet, readonly Mirrored[]>();

/** What a fault does, as a word: of two that do the same only one is told. */
const doing = ({ sets, shorts, ripples, opens, signs, shows, appears }: Fault, reads: Fault['reads']): string =>
  JSON.stringify([[...sets], shorts, ripples, opens, [...signs], shows, appears, [...reads]]);

/**
 * What listed faults do: another part near them, or the same in another way, may do that as well; and what those of a
 * sibling do, where nothing that is listed does it here.
 */
export function likeListed(sheet: Sheet, share: number, isLike: (part: Part, fault: Fault) => boolean): Effect[] {
  const found = new Map<string, { readonly first: Fault; readonly name: string; weight: number }>();
  const weightOf = (fault: Fault, part: Part) => fault.weight * faultRate(part, fault.mode);
  for (const fault of sheet.faults.values()) {
    const part = sheet.parts.get(fault.part)!;
    if (!isLike(part, fault) || fault.shows.some(isDamage)) continue;
    const key = doing(fault, elsewhere(sheet, fault));
    const known = found.get(key);
    const weight = weightOf(fault, part);
    if (known) known.weight += weight;
    else found.set(key, { first: fault, name: fault.id, weight });
  }
  for (const { fault, block, into } of kept(mirrored, sheet, () => mirroredFaults(sheet))) {
    const part = { ...sheet.parts.get(fault.part)!, block };
    const key = doing(fault, elsewhere(sheet, fault));
    if (found.has(key) || !isLike(part, fault) || fault.shows.some(isDamage)) continue;
    found.set(key, { first: fault, name: `${fault.id}-${into}`, weight: weightOf(fault, part) });
  }
  const all = sumOf(found.values(), ({ weight }) => weight);
  return [...found.values()].map(({ first, name, weight }) => ({
    name: `as-${name}`,
    like: first.id,
    title: seenOf(sheet, first),
    share: (share * weight) / all,
    sets: first.sets,
    shorts: first.shorts,
    ripples: first.ripples,
    opens: first.opens,
    signs: first.signs,
    shows: first.shows,
    appears: first.appears,
    reads: elsewhere(sheet, first),
  }));
}

/** What is seen of a fault, in a few words. */
function seenOf({ nets }: Sheet, { sets, shorts, ripples, shows, opens }: Fault): string {
  const [set] = sets;
  const title = (net: string) => nets.get(net)?.title ?? net;
  if (set) return `${set[1] < deadRatio ? 'no' : set[1] < 1 ? 'low' : 'high'} ${title(set[0])}`;
  if (shorts[0] !== undefined) return `${title(shorts[0])} pulled down`;
  if (ripples[0] !== undefined) return `ripple on ${title(ripples[0])}`;
  if (opens[0] !== undefined) return `${opens[0]} open`;
  return shows.length > 0 ? 'seen in the picture' : 'no voltage tells it';
}

/** What a fault reads elsewhere than at its own part: a fuse it has blown. */
const elsewhere = (sheet: Sheet, { reads, part }: Fault): ReadonlyMap<string, number> =>
  new Map([...reads].filter(([check]) => sheet.points.get(check)?.parts.includes(part) !== true));
