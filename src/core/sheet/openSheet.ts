import { faultRate } from '../parts';
import { sum, sumOf } from '../statistics';
import { type Block, type Fault, type Part, type Sheet } from './sheet';
import { levelRatio } from './words';

/** What something unlisted in a block may do, with how much of what is unlisted there does that. */
interface Effect {
  readonly name: string;
  readonly title: string;
  readonly share: number;
  readonly sets?: readonly (readonly [net: string, ratio: number])[];
  readonly shorts?: readonly string[];
  readonly ripples?: readonly string[];
  readonly shows?: Fault['shows'];
}

/** How what goes wrong in a block spreads over its effects, where it has all of them. */
const shares = { allDead: 0.22, dead: 0.24, low: 0.16, high: 0.08, ripples: 0.05, pullsDown: 0.12, shorts: 0.05, shows: 0.08 };

/** A failing output is taken at this share of its volts; how far it really falls is left open. */
const failing = 0.6;

/** A block of which little is listed still has parts: it counts for at least this share of the average block. */
const leastOfBlock = 0.4;

const opened = new WeakMap<Sheet, Sheet>();
const already = new WeakSet<Sheet>();

/**
 * The sheet with, for each block, “something else in here”: a part with the effects that whatever no sheet
 * lists may have on what the block makes and on what it loads. How much of what goes wrong that is, in all,
 * comes from the sheet’s completeness.
 */
export function openSheet(sheet: Sheet): Sheet {
  if (already.has(sheet)) return sheet;
  let open = opened.get(sheet);
  if (!open) {
    opened.set(sheet, (open = withUnlisted(sheet)));
    already.add(open);
  }
  return open;
}

function withUnlisted(sheet: Sheet): Sheet {
  if (sheet.complete >= 1) return sheet;
  const rates = new Map<string, number>();
  for (const fault of sheet.faults.values()) {
    const part = sheet.parts.get(fault.part)!;
    rates.set(part.block, (rates.get(part.block) ?? 0) + fault.weight * faultRate(part, fault.mode));
  }
  const listed = sum(rates.values());
  const least = (leastOfBlock * listed) / sheet.blocks.size;
  const weights = new Map([...sheet.blocks.keys()].map((id) => [id, Math.max(rates.get(id) ?? 0, least)]));
  const scale = (listed * (1 - sheet.complete)) / sheet.complete / sum(weights.values());
  const parts = new Map(sheet.parts);
  const faults = new Map(sheet.faults);
  for (const block of sheet.blocks.values()) {
    const part = unlistedPart(block);
    const effects = effectsOf(sheet, block);
    const all = sumOf(effects, ({ share }) => share);
    if (effects.length > 0) parts.set(part.id, part);
    for (const effect of effects)
      faults.set(`${part.id}.${effect.name}`, {
        id: `${part.id}.${effect.name}`,
        part: part.id,
        mode: 'unlisted',
        title: `${part.title}: ${effect.title}`,
        weight: (scale * weights.get(block.id)! * effect.share) / all,
        appears: 'always',
        sets: new Map(effect.sets),
        shorts: effect.shorts ?? [],
        ripples: effect.ripples ?? [],
        opens: [],
        signs: new Map(),
        shows: effect.shows ?? [],
        harms: [],
        reads: new Map(),
        place: block.place,
      });
  }
  return { ...sheet, parts, faults };
}

/** What stands for everything in a block that its sheet does not list. */
function unlistedPart(block: Block): Part {
  return {
    id: `${block.id}?`,
    title: `Something else in ${block.short}`,
    kind: 'unlisted',
    block: block.id,
    board: block.board,
    value: '',
    heat: false,
    price: undefined,
  };
}

function effectsOf(sheet: Sheet, block: Block): Effect[] {
  const { makes } = block;
  const titleOf = (net: string) => sheet.nets.get(net)!.title;
  const isRail = (net: string) => sheet.nets.get(net)!.kind === 'rail';
  const isMains = (net: string) => net === 'mains' || sheet.blocks.get(makerOf(sheet, net) ?? '')?.needs.includes('mains') === true;
  const each = <T>(items: readonly T[], share: number, effect: (item: T) => Omit<Effect, 'share'>): Effect[] =>
    items.map((item) => ({ ...effect(item), share: share / items.length }));
  const rails = makes.filter(isRail);
  const loads = block.needs.filter((net) => isRail(net) && !isMains(net));
  return [
    ...(makes.length > 1
      ? [{ name: 'dead', title: 'nothing comes out', share: shares.allDead, sets: makes.map((net) => [net, 0] as const) }]
      : []),
    ...each(makes, shares.dead + (makes.length > 1 ? 0 : shares.allDead), (net) => ({
      name: `${net}-dead`,
      title: `no ${titleOf(net)}`,
      sets: [[net, 0]],
    })),
    ...each(makes, shares.low, (net) => ({ name: `${net}-low`, title: `low ${titleOf(net)}`, sets: [[net, failing]] })),
    ...each(makes, shares.high, (net) => ({
      name: `${net}-high`,
      title: `high ${titleOf(net)}`,
      sets: [[net, levelRatio.high]],
    })),
    ...each(rails, shares.ripples, (net) => ({ name: `${net}-ripple`, title: `ripple on ${titleOf(net)}`, ripples: [net] })),
    ...each(rails.filter((net) => !isMains(net)), shares.shorts, (net) => ({
      name: `${net}-short`,
      title: `${titleOf(net)} shorted`,
      shorts: [net],
    })),
    ...each(loads, shares.pullsDown, (net) => ({
      name: `${net}-load`,
      title: `${titleOf(net)} pulled down`,
      shorts: [net],
    })),
    ...each(looksOf(sheet, block), shares.shows, ({ shows, first }) => ({
      name: `shows-${first}`,
      title: 'seen in the picture',
      shows,
    })),
  ];
}

const makerOf = (sheet: Sheet, net: string): string | undefined =>
  [...sheet.blocks.values()].find(({ makes }) => makes.includes(net))?.id;

/** What faults of a block, or where it has none of its board, show in the picture beside what their nets make of it. */
function looksOf(sheet: Sheet, block: Block): { readonly shows: Fault['shows']; readonly first: string }[] {
  const showing = (belongs: (part: Part) => boolean) => {
    const looks = new Map<string, Fault['shows']>();
    for (const fault of sheet.faults.values())
      if (fault.shows.length > 0 && belongs(sheet.parts.get(fault.part)!)) looks.set(fault.shows.join('-'), fault.shows);
    return [...looks].map(([first, shows]) => ({ first, shows }));
  };
  const own = showing((part) => part.block === block.id);
  return own.length > 0 ? own : showing((part) => part.board === block.board);
}
