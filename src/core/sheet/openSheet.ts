import { kept } from '../recent';
import { deadRatio as deadBelow } from '../measure';
import { faultRate } from '../parts';
import { isDamage } from '../picture';
import { sum, sumOf } from '../statistics';
import { asInBlock } from './asInBlock';
import { effectsWithConsequences, lesserId, withConsequences } from './consequences';
import { faultTitle } from './faultTitle';
import { anyMark, type Effect, likeListed } from './likeListed';
import { type Block, type Connector, type Fault, type Part, type Sheet } from './sheet';
import { levelRatio } from './words';

/** Of what is unlisted, how much is a plug or ribbon that does not make contact, over all of them. */
const plugs = 0.06;

/**
 * Of what is unlisted, how much acts on a net from a block that the sheet does not tie to it, over all of them: a remote
 * that gives no command, a gun that loads its driver. How it does so: it takes the net to one of these shares of its volts.
 */
const astray = { share: 0.03, ratios: [0, 0.5] };

/**
 * How often what should take a rail to nothing leaves something of it, or what should alter it goes further, and what is
 * left then; what lets through all or nothing leaves something less often: the rail is fed from elsewhere, or floats.
 */
const byDegrees = { chance: 0.2, allOrNothing: 0.1, ofNothing: [0.25, 0.5], ofLow: 0.5, further: 1.6 };

/**
 * How what goes wrong in a block spreads over its effects, where it has all of them: about as the shipped sheets’ own
 * faults would, were each taken out in turn and held against what is left of its block.
 */
const shares = {
  /** Does what a listed fault of the block does, by another part or in another way. */
  alike: 0.54,
  /** Does what a listed fault of a block next to it does: takes a fuse, pulls a rail down. */
  next: 0.05,
  allDead: 0.06,
  allLow: 0.03,
  allHigh: 0.02,
  dead: 0.09,
  low: 0.09,
  high: 0.05,
  dry: 0.05,
  ripples: 0.01,
  pullsDown: 0.04,
  shorts: 0.02,
  shows: 0.03,
  offFrequency: 0.02,
  anything: 0.03,
};

/** A failing output is taken at one of these shares of its volts, a spent capacitor's at that; how far it really falls is left open. */
const failing = [0.8, 0.5];
const rising = [1.15, 1.4];
/** A rail may be off by so little as well that the set runs on, and shows it. */
const slightly = { low: 0.92, high: 1.08 };
const drying = 0.85;

/** An oscillator that runs is off by about so much. */
const offFrequency = 0.94;

/** A block of which little is listed still has parts: it counts for at least this share of the average block. */
const leastOfBlock = 0.4;

/** Of what is unlisted in a block, how much is in the parts that were found in it at the bench, where there are any: they were looked up because it led there. */
const inOwn = 0.5;

const opened = new WeakMap<Sheet, Sheet>();
const listed = new WeakMap<Sheet, Sheet>();

/**
 * The sheet with, for each block, “something else in here”: a part with the effects that whatever no sheet
 * lists may have on what the block makes and on what it loads. How much of what goes wrong that is, in all,
 * comes from the sheet’s completeness; an opened sheet leaves nothing out.
 */
export function openSheet(sheet: Sheet): Sheet {
  return kept(opened, sheet, () => {
    if (sheet.complete >= 1) return sheet;
    const open = withUnlisted(sheet);
    listed.set(open, sheet);
    return open;
  });
}

/** An opened sheet as it was before: with what it lists alone. */
export const asListed = (sheet: Sheet): Sheet => listed.get(sheet) ?? sheet;

function withUnlisted(sheet: Sheet): Sheet {
  const rates = new Map<string, number>();
  const owned = new Map<string, number>();
  for (const fault of sheet.faults.values()) {
    const part = sheet.parts.get(fault.part)!;
    const of = part.own ? owned : rates;
    of.set(part.block, (of.get(part.block) ?? 0) + fault.weight * faultRate(part, fault.mode));
  }
  const listed = sum(rates.values());
  const least = (leastOfBlock * listed) / sheet.blocks.size;
  const weights = new Map([...sheet.blocks.keys()].map((id) => [id, Math.max(rates.get(id) ?? 0, least)]));
  const unlisted = (listed * (1 - sheet.complete)) / sheet.complete;
  const scale = (unlisted * (1 - plugs - astray.share)) / sum(weights.values());
  const parts = new Map(sheet.parts);
  const place = [...sheet.blocks.values()][0]!.place;
  const weighed = (fault: Fault): Fault => {
    const { own, block } = sheet.parts.get(fault.part)!;
    return own ? { ...fault, weight: (fault.weight * inOwn * scale * weights.get(block)!) / owned.get(block)! } : fault;
  };
  const effectsIn = new Map([...sheet.blocks.values()].map((block) => [block.id, effectsOf(sheet, block)]));
  const inItsBlock = (fault: Fault): Fault[] => {
    const { own, block } = sheet.parts.get(fault.part)!;
    return own ? asInBlock(fault, [...effectsIn.get(block)!, ...byRules(sheet.blocks.get(block)!)]) : [fault];
  };
  const faults = new Map(
    [...sheet.faults.values()]
      .map(weighed)
      .flatMap(inItsBlock)
      .flatMap((fault) => (fault.degreeOf === undefined ? withDegrees(sheet, fault) : [fault]))
      .flatMap((fault) => withConsequences(sheet, fault))
      .map((fault) => [fault.id, fault]),
  );
  for (const block of sheet.blocks.values()) {
    const part = unlistedPart(block);
    const effects = effectsIn.get(block.id)!.flatMap((effect) => effectsWithConsequences(sheet, effect));
    const all = sumOf(effects, ({ share }) => share);
    const left = owned.has(block.id) ? 1 - inOwn : 1;
    if (effects.length > 0) parts.set(part.id, part);
    for (const effect of effects) {
      const weight = (left * scale * weights.get(block.id)! * effect.share) / all;
      const fault = unlistedFault(part, effect, weight, block.place);
      faults.set(fault.id, fault);
    }
  }
  for (const { part, fault } of fromElsewhere(sheet, unlisted * astray.share)) {
    parts.set(part.id, part);
    faults.set(fault.id, fault);
  }
  for (const connector of sheet.connectors.values()) {
    const block = blockOf(sheet, connector);
    if (!block) continue;
    const listed = sheet.parts.get(connector.id);
    const part: Part = listed ?? {
      ...unlistedPart(block),
      id: connector.id,
      title: connector.title,
      kind: 'connector',
      board: connector.to,
    };
    const effect = { name: 'loose', title: 'loose', share: 1, opens: [connector.id] };
    const fault = unlistedFault(part, effect, (unlisted * plugs) / sheet.connectors.size, place);
    if (faults.has(fault.id)) continue;
    parts.set(part.id, part);
    faults.set(fault.id, { ...fault, mode: 'loose', title: faultTitle(part, 'loose') });
  }
  return { ...sheet, complete: 1, parts, faults };
}

/** For each net that a block makes, what acts on it from elsewhere. */
function fromElsewhere(sheet: Sheet, weight: number): { readonly part: Part; readonly fault: Fault }[] {
  const nets = [...sheet.blocks.values()].flatMap((block) =>
    block.makes.map((id) => ({ block, net: sheet.nets.get(id)! })),
  );
  const each = weight / (nets.length * astray.ratios.length);
  return nets.flatMap(({ block, net: { id, title } }) => {
    const part: Part = { ...unlistedPart(block), id: `${id}~`, title: `What acts on ${title} from elsewhere` };
    return astray.ratios.map((ratio) => {
      const effect = {
        name: `at-${ratio}`,
        title: ratio === 0 ? 'it is gone' : 'it is low',
        share: 1,
        sets: [[id, ratio] as const],
      };
      return { part, fault: { ...unlistedFault(part, effect, each, block.place), mode: 'elsewhere' as const } };
    });
  });
}

/** The block a connector is looked into with: the one that lists it, or the first that needs what it carries where it leads to. */
function blockOf({ parts, blocks }: Sheet, { id, carries, to }: Connector): Block | undefined {
  const listed = parts.get(id)?.block;
  if (listed !== undefined) return blocks.get(listed);
  return [...blocks.values()].find(({ board, needs }) => board === to && needs.some((net) => carries.includes(net)));
}

function unlistedFault(part: Part, effect: Effect, weight: number, place: Fault['place']): Fault {
  return {
    id: `${part.id}.${effect.name}`,
    part: part.id,
    mode: 'unlisted',
    title: `${part.title}: ${effect.title}`,
    weight,
    appears: effect.appears ?? 'always',
    sets: new Map(effect.sets),
    shorts: effect.shorts ?? [],
    ripples: effect.ripples ?? [],
    opens: effect.opens ?? [],
    signs: effect.signs ?? new Map(),
    shows: effect.shows ?? [],
    harms: [],
    reads: effect.reads ?? new Map(),
    like: effect.like,
    place,
  };
}

/** What these let through is all or nothing. */
const allOrNothing: ReadonlySet<Part['kind']> = new Set([
  'fuse',
  'fusible',
  'switch',
  'lead',
  'connector',
  'battery',
  'relay',
]);

/** What may be left of a net where a fault goes another way than it is taken to: by less and by more. */
function otherDegrees(ratio: number): readonly number[] {
  if (ratio < deadBelow) return byDegrees.ofNothing;
  if (ratio === levelRatio.low) return [byDegrees.ofLow];
  return [Math.max(deadBelow, 1 + byDegrees.further * (ratio - 1))];
}

/** A fault that alters what its nets stand at, and the same to other degrees. */
function withDegrees({ parts }: Sheet, fault: Fault): Fault[] {
  const others = [...fault.sets].map(([net, ratio]) => ({ net, ratio, degrees: otherDegrees(ratio) }));
  const count = Math.max(0, ...others.map(({ degrees }) => degrees.length));
  const altered = Array.from({ length: count }, (_, at) =>
    others.map(({ net, degrees }) => [net, degrees[Math.min(at, degrees.length - 1)]!] as const),
  ).filter((sets) => sets.some(([net, ratio]) => fault.sets.get(net) !== ratio));
  if (altered.length === 0) return [fault];
  const chance = allOrNothing.has(parts.get(fault.part)!.kind) ? byDegrees.allOrNothing : byDegrees.chance;
  let id = fault.id;
  const lesser = altered.map((sets): Fault => ({
    ...fault,
    id: (id = lesserId(id)),
    degreeOf: fault.id,
    sets: new Map(sets),
    weight: (fault.weight * chance) / altered.length,
  }));
  return [{ ...fault, weight: fault.weight * (1 - chance) }, ...lesser];
}

/** What comes out of a block where one of its needs is not as it should be, by its own rules; together as much as is alike. */
const byRules = ({ rules }: Block): Effect[] =>
  rules.map(({ makes }, at) => ({ name: `rule-${at}`, title: '', sets: makes, share: shares.alike / rules.length }));

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
    own: false,
    price: undefined,
    element: undefined,
  };
}

function effectsOf(sheet: Sheet, block: Block): Effect[] {
  const { makes } = block;
  const titleOf = (net: string) => sheet.nets.get(net)!.title;
  const isRail = (net: string) => sheet.nets.get(net)!.kind === 'rail';
  const isMains = (net: string) =>
    net === 'mains' || sheet.blocks.get(makerOf(sheet, net) ?? '')?.needs.includes('mains') === true;
  const each = <T>(items: readonly T[], share: number, effect: (item: T) => Omit<Effect, 'share'>): Effect[] =>
    items.map((item) => ({ ...effect(item), share: share / items.length }));
  const all = (name: string, title: string, share: number, ratios: readonly number[]): Effect[] =>
    makes.length > 1
      ? each(ratios, share, (ratio) => ({
          name: `${name}-${ratio}`,
          title,
          sets: makes.map((net) => [net, ratio] as const),
        }))
      : [];
  const eachAt = (nets: readonly string[], ratios: readonly number[], share: number, name: string): Effect[] =>
    ratios.flatMap((ratio) =>
      each(nets, share / ratios.length, (net) => ({
        name: `${net}-${ratio}`,
        title: `${name} ${titleOf(net)}`,
        sets: [[net, ratio]],
      })),
    );
  const alone = makes.length === 1;
  const rails = makes.filter(isRail);
  /** Each rail at the degrees that rails have, anything else at its own. */
  const atDegrees = (ofRails: readonly number[], ofOthers: readonly number[], share: number, name: string) => {
    const others = makes.filter((net) => !isRail(net));
    const part = (nets: readonly string[]) => (share * nets.length) / makes.length;
    return [...eachAt(rails, ofRails, part(rails), name), ...eachAt(others, ofOthers, part(others), name)];
  };
  const oscillators = [...sheet.points.values()].flatMap(({ id, title, measure, net, expect }) =>
    measure === 'hertz' && makes.includes(net ?? '') && sheet.nets.get(net!)!.signal !== 'motion' && expect
      ? [{ id, title, hertz: expect }]
      : [],
  );
  const loads = block.needs.filter((net) => isRail(net) && !isMains(net));
  return [
    ...likeListed(sheet, shares.alike, (part) => part.block === block.id),
    ...likeListed(
      sheet,
      shares.next,
      (part, fault) => isDrastic(fault) && nextTo(block, sheet.blocks.get(part.block)!),
    ),
    ...all('dead', 'nothing comes out', shares.allDead, [0]),
    ...all('low', 'all that comes out is low', shares.allLow, failing),
    ...all('high', 'all that comes out is high', shares.allHigh, rising),
    ...eachAt(makes, [0], shares.dead + (alone ? shares.allDead : 0), 'no'),
    ...atDegrees([slightly.low, ...failing], failing, shares.low + (alone ? shares.allLow : 0), 'low'),
    ...atDegrees([slightly.high, ...rising], rising, shares.high + (alone ? shares.allHigh : 0), 'high'),
    ...each(rails, shares.dry, (net) => ({
      name: `${net}-dry`,
      title: `low ${titleOf(net)} with ripple`,
      sets: [[net, drying]],
      ...rippling(sheet, net),
    })),
    ...each(rails, shares.ripples, (net) => ({
      name: `${net}-ripple`,
      title: `ripple on ${titleOf(net)}`,
      ...rippling(sheet, net),
    })),
    ...each(
      rails.filter((net) => !isMains(net)),
      shares.shorts,
      (net) => ({ name: `${net}-short`, title: `${titleOf(net)} shorted`, shorts: [net] }),
    ),
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
    ...each(oscillators, shares.offFrequency, ({ id, title, hertz }) => ({
      name: `${id}-off`,
      title: `${title} off its frequency`,
      reads: new Map([[id, offFrequency * hertz]]),
      shows: [anyMark],
    })),
    { name: 'anything', title: 'seen in the picture, as nothing listed is', share: shares.anything, shows: [anyMark] },
  ];
}

/**
 * Ripple on a net, with what ripple there shows by the listed faults that make it, or else by those of what is regulated
 * from it: a regulator that its own reservoir fails lets ripple through.
 */
function rippling(sheet: Sheet, net: string): Pick<Effect, 'ripples' | 'shows'> {
  const showing = (nets: readonly string[]) =>
    [...sheet.faults.values()].find(
      ({ ripples, shows }) => shows.length > 0 && ripples.some((one) => nets.includes(one)),
    );
  const known = showing([net]);
  if (known) return { ripples: known.ripples, shows: known.shows };
  const fed = [...sheet.blocks.values()].filter(({ regulates, needs }) => regulates && needs.includes(net));
  const through = showing(fed.flatMap(({ makes }) => makes));
  return { ripples: [net, ...(through?.ripples ?? [])], shows: through?.shows ?? [] };
}

const nextTo = (one: Block, other: Block): boolean =>
  one.makes.some((net) => other.needs.includes(net)) || other.makes.some((net) => one.needs.includes(net));

/** Does a fault do more than take away what its block makes? */
const isDrastic = ({ reads, shorts, signs }: Fault): boolean => reads.size + shorts.length + signs.size > 0;

const makerOf = (sheet: Sheet, net: string): string | undefined =>
  [...sheet.blocks.values()].find(({ makes }) => makes.includes(net))?.id;

/** What faults of a block, or where it has none of its board, show in the picture beside what their nets make of it. */
function looksOf(sheet: Sheet, block: Block): { readonly shows: Fault['shows']; readonly first: string }[] {
  const showing = (belongs: (part: Part) => boolean) => {
    const looks = new Map<string, Fault['shows']>();
    for (const fault of sheet.faults.values())
      if (fault.shows.length > 0 && !fault.shows.some(isDamage) && belongs(sheet.parts.get(fault.part)!))
        looks.set(fault.shows.join('-'), fault.shows);
    return [...looks].map(([first, shows]) => ({ first, shows }));
  };
  const own = showing((part) => part.block === block.id);
  return own.length > 0 ? own : showing((part) => part.board === block.board);
}
