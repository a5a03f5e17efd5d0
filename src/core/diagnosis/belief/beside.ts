import { kept } from '../../recent';
import { sumOf } from '../../statistics';
import { faultModes } from '../../parts';
import { type Fault, isListed, type Sheet } from '../../sheet';

/** How often a set has two faults that have nothing to do with each other. */
export const independent = 0.08;
/** How often a fault has brought about one it is said to harm. */
export const casualty = 0.15;
/** How often one more part of the same kind has gone the same way, over all of them: by age, or at one blow. */
const sameAge = 0.3;
const sameBlow = 0.1;

/** Parts of one kind that went the same way, and how often one more of them has gone with one. */
export interface Alike {
  readonly way: string;
  readonly oneMore: number;
}

/** What else goes the way a fault did; undefined of a degree of a fault and of what no sheet lists. */
export function alike(fault: Fault, parts: Sheet['parts']): Alike | undefined {
  if (!isListed(fault)) return undefined;
  const { mode, part } = fault;
  return { way: `${parts.get(part)!.kind} ${mode}`, oneMore: faultModes[mode].byAge ? sameAge : sameBlow };
}

const known = new WeakMap<Sheet['faults'], ReadonlyMap<string, readonly Fault[]>>();

/** What goes the same way as one another, by the way; worked out once a sheet. */
function byWay({ faults, parts }: Pick<Sheet, 'parts' | 'faults'>): ReadonlyMap<string, readonly Fault[]> {
  return kept(known, faults, () => {
    const ways = new Map<string, Fault[]>();
    for (const fault of faults.values()) {
      const gone = alike(fault, parts);
      if (gone) kept(ways, gone.way, () => []).push(fault);
    }
    return ways;
  });
}

/** The faults of a sheet that go the same way as another. */
export const gangs = (sheet: Sheet): Iterable<readonly Fault[]> => byWay(sheet).values();

/** How often a fault is there beside others: by itself, brought about by one of them, or with one that went the same way. */
export function besideOthers(
  found: readonly Fault[],
  prior: ReadonlyMap<string, number>,
  sheet: Pick<Sheet, 'parts' | 'faults'>,
): (fault: Fault) => number {
  if (found.length === 0) return ({ id }) => prior.get(id)!;
  const { parts } = sheet;
  const ways = new Map<string, number>();
  for (const fault of found) {
    const gone = alike(fault, parts);
    if (gone) ways.set(gone.way, 1 - (1 - (ways.get(gone.way) ?? 0)) * (1 - gone.oneMore));
  }
  const present = new Set(found.map(({ id }) => id));
  /** What those of a way that are not there yet come to. */
  const others = new Map(
    [...ways.keys()].map((way) => [
      way,
      sumOf(byWay(sheet).get(way) ?? [], ({ id }) => (present.has(id) ? 0 : prior.get(id)!)),
    ]),
  );
  return (fault) => {
    const gone = alike(fault, parts);
    const together = gone && others.get(gone.way);
    const shared = together ? ways.get(gone!.way)! / together : 0;
    const linked = found.some(({ harms }) => harms.includes(fault.id)) ? casualty : 0;
    return linked + prior.get(fault.id)! * (independent + shared);
  };
}
