import { sumOf } from '../statistics';
import { anyMark, type Effect, likeListed } from './likeListed';
import { type Fault, type Sheet } from './sheet';

/** The id of a fault in another degree, or with something that goes with it. */
export const lesserId = (fault: string): string => `${fault}~`;

/** How a fault shows that takes away, or pulls low, a rail which feeds a part of a block: not at all, by all of it, as its listed faults do, or as nothing listed does. */
const partially = { silent: 0.3, all: 0.28, alike: 0.3, anything: 0.12 };

/** Below this share of its volts a rail counts as taken away, and below the other as too low for some of what it feeds. */
const goneBelow = 0.55;
const lowBelow = 0.9;

/** What goes with a rail of which nobody knows what it feeds, and how often. */
interface Consequence extends Pick<Fault, 'signs' | 'shows' | 'ripples'> {
  readonly share: number;
  readonly sets: Iterable<readonly [net: string, ratio: number]>;
}

const withSame = { sets: [], signs: new Map(), shows: [], ripples: [] } satisfies Partial<Consequence>;

/** What may go with a fault by the rails it takes away or pulls low; nothing where it is known. */
function consequencesOf(sheet: Sheet, sets: ReadonlyMap<string, number>, shorts: readonly string[]): Consequence[] {
  const isPartial = (net: string) => sheet.nets.get(net)!.partial;
  const lost = [...[...sets].flatMap(([net, ratio]) => (ratio < lowBelow ? [net] : [])), ...shorts].filter(isPartial);
  if (lost.length === 0) return [];
  const least = Math.min(...lost.map((net) => (shorts.includes(net) ? 0 : sets.get(net)!)));
  const left = least < goneBelow ? 0 : least;
  const fed = [...sheet.blocks.values()].filter(({ needs }) => needs.some((net) => lost.includes(net)));
  // Where nobody is known to need it, it is taken to feed where it is made or where a part takes it away.
  const takers = [...sheet.faults.values()].filter((fault) => lost.some((net) => fault.sets.has(net)));
  const near = new Set(takers.map(({ part }) => sheet.parts.get(part)!.block));
  const hit =
    fed.length > 0
      ? fed
      : [...sheet.blocks.values()].filter(({ id, makes }) => near.has(id) || makes.some((net) => lost.includes(net)));
  const all = fed.flatMap(({ makes }) => makes.filter((net) => !isPartial(net)).map((net) => [net, left] as const));
  const alike = likeListed(sheet, 1, ({ block }) => hit.some(({ id }) => id === block)).filter(
    ({ shorts: pulled = [], opens = [], reads, sets: moved = [] }) =>
      pulled.length + opens.length + (reads?.size ?? 0) === 0 && ![...moved].some(([net]) => isPartial(net)),
  );
  const most = sumOf(alike, ({ share }) => share);
  return [
    { ...withSame, share: partially.silent },
    ...(all.length > 0 ? [{ ...withSame, share: partially.all, sets: all }] : []),
    ...alike.map(({ share, sets: moved = [], signs = new Map(), shows = [], ripples = [] }) => ({
      share: (partially.alike * share) / most,
      sets: moved,
      signs,
      shows,
      ripples,
    })),
    { ...withSame, share: partially.anything, shows: [anyMark] },
  ];
}

/** A fault, and the same with what may go with it. */
export function withConsequences(sheet: Sheet, fault: Fault): Fault[] {
  const consequences = fault.degreeOf === undefined ? consequencesOf(sheet, fault.sets, fault.shorts) : [];
  const together = sumOf(consequences, ({ share }) => share);
  return consequences.length === 0
    ? [fault]
    : consequences.map(({ share, sets, signs, shows, ripples }, at) => ({
        ...fault,
        ...(at === 0 ? {} : { id: `${lesserId(fault.id)}${at}`, degreeOf: fault.id }),
        weight: (fault.weight * share) / together,
        sets: new Map([...fault.sets, ...sets]),
        signs: new Map([...fault.signs, ...signs]),
        shows: [...fault.shows, ...shows],
        ripples: [...fault.ripples, ...ripples],
      }));
}

export function effectsWithConsequences(sheet: Sheet, effect: Effect): Effect[] {
  const own = new Map(effect.sets);
  const consequences = consequencesOf(sheet, own, effect.shorts ?? []);
  const together = sumOf(consequences, ({ share }) => share);
  return consequences.length === 0
    ? [effect]
    : consequences.map(({ share, sets, signs, shows, ripples }, at) => ({
        ...effect,
        name: at === 0 ? effect.name : `${lesserId(effect.name)}${at}`,
        share: (effect.share * share) / together,
        sets: new Map([...own, ...sets]),
        signs: new Map([...(effect.signs ?? []), ...signs]),
        shows: [...(effect.shows ?? []), ...shows],
        ripples: [...(effect.ripples ?? []), ...ripples],
      }));
}
