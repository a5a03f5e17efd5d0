import { deadRatio } from '../measure';
import { faultRate } from '../parts';
import { isDamage } from '../picture';
import { sumOf } from '../statistics';
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

/** What listed faults do: another part near them, or the same in another way, may do that as well. */
export function likeListed(sheet: Sheet, share: number, isLike: (part: Part, fault: Fault) => boolean): Effect[] {
  const found = new Map<string, { readonly first: Fault; weight: number }>();
  for (const fault of sheet.faults.values()) {
    const part = sheet.parts.get(fault.part)!;
    if (!isLike(part, fault) || fault.shows.some(isDamage)) continue;
    const { sets, shorts, ripples, opens, signs, shows, appears } = fault;
    const key = JSON.stringify([
      [...sets],
      shorts,
      ripples,
      opens,
      [...signs],
      shows,
      appears,
      [...elsewhere(sheet, fault)],
    ]);
    const known = found.get(key);
    const weight = fault.weight * faultRate(part, fault.mode);
    if (known) known.weight += weight;
    else found.set(key, { first: fault, weight });
  }
  const all = sumOf(found.values(), ({ weight }) => weight);
  return [...found.values()].map(({ first, weight }) => ({
    name: `as-${first.id}`,
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
