import { type Component, type Expectation, measures, settled, signStates } from '../measure';
import { type FaultMode, partKinds } from '../parts';
import { anyMark, type Fault, type Sheet } from '../sheet';
import { type Check } from './checks';
import { partAtPoint } from './expect';

/** How sure it is that something unlisted does what its effect says, in kind: to a number, to a sign, to the picture. */
const numberAsSaid = 0.985;
const signAsSaid = 0.97;
const pictureAsSaid = 0.87;
/** What alters a net and nothing else that is said of it shows a look of its own besides about as often as not. */
const pictureByNets = 0.6;
/** How often what is wrong in a block is in a listed part of it, over all of them. */
const inListedPart = 0.4;
/** How much of that is left to a way of failing that the sheet lists of the part, and says the effects of. */
const unlikeListed = 0.1;
/** A block is taken to have at least so many parts worth measuring. */
const fewestParts = 3;

/**
 * What a check gives where something unlisted is wrong: what its effect says, loosely, for nobody knows
 * how far it goes. Where the check concerns a listed part of its block, that part may be the one.
 *
 * @param bad what the effect taken at its word gives; the same as `good` where it leaves the check alone
 * @param good what a good set gives
 */
export function loosely(fault: Fault, check: Check, sheet: Sheet, bad: Expectation, good: Expectation): Expectation {
  if (bad.kind === 'picture' && fault.shows.includes(anyMark)) return { ...bad, sure: 0 };
  if (fault.degreeOf !== undefined || fault.mode === 'elsewhere') {
    if (bad === good) return good;
    if (bad.kind === 'picture') return { ...bad, sure: pictureAsSaid };
    return bad.kind === 'number' && good.kind === 'number' ? looseNumber(bad, good) : bad;
  }
  const { block } = sheet.parts.get(fault.part)!;
  const own = check.point?.parts.filter((id) => sheet.parts.get(id)!.block === block) ?? [];
  if (own.length > 0 && (check.point!.net === undefined || bad === good))
    return mayBeTheOne(check, sheet, own, block, good);
  if (bad === good && check.measure !== 'sign') return good;
  if (bad.kind === 'number' && good.kind === 'number') return looseNumber(bad, good);
  if (bad.kind === 'choice' && good.kind === 'choice') return looseChoice(check, bad.chances, good.chances);
  return bad.kind === 'picture' ? { ...bad, sure: isLookSaid(fault) ? pictureAsSaid : pictureByNets } : bad;
}

/** Is it said what the fault shows, be it by the listed one that it is like? */
export const isLookSaid = ({ like, shows }: Fault): boolean => shows.length > 0 || like !== undefined;

type NumberExpectation = Extract<Expectation, { kind: 'number' }>;

const scaled = (components: readonly Component[], share: number) =>
  components.map((one) => ({ ...one, chance: one.chance * share }));

function looseNumber(bad: NumberExpectation, good: NumberExpectation): Expectation {
  const [usual] = good.components;
  const size = Math.abs(usual!.value);
  if (bad.scale === 'log' || !Number.isFinite(size) || size === 0)
    return {
      ...bad,
      components: [...scaled(bad.components, numberAsSaid), ...scaled(good.components, 1 - numberAsSaid)],
    };
  const wide = scaled(bad.components, numberAsSaid).map((one) => ({
    ...one,
    sigma: Math.hypot(one.sigma, spreadOf(one.value / usual!.value) * size),
  }));
  return { ...bad, components: [...wide, settled(0.55 * usual!.value, 0.4 * size, 1 - numberAsSaid)] };
}

/** How far an output may lie from where its effect puts it, as a share of nominal. */
const spreadOf = (ratio: number) => (ratio < 0.1 ? 0.008 : Math.min(0.14, 0.3 * Math.abs(ratio - 1) + 0.01));

function looseChoice(check: Check, bad: ReadonlyMap<string, number>, good: ReadonlyMap<string, number>): Expectation {
  const words = new Set([...bad.keys(), ...good.keys(), ...(check.measure === 'sign' ? signStates : [])]);
  const chances = new Map(
    [...words].map((word) => [
      word,
      signAsSaid * (bad.get(word) ?? 0) + (1 - signAsSaid) * (0.6 * (good.get(word) ?? 0) + 0.4 / words.size),
    ]),
  );
  return { kind: 'choice', chances };
}

/** What a measurement of parts gives if what is wrong in their block may be in one of them. */
function mayBeTheOne(
  check: Check,
  sheet: Sheet,
  own: readonly string[],
  block: string,
  good: Expectation,
): Expectation {
  const ofBlock = [...sheet.parts.values()].filter((part) => part.block === block && part.kind !== 'unlisted').length;
  const share = Math.min(0.8, (inListedPart * own.length) / Math.max(fewestParts, ofBlock));
  const way = measures[check.measure];
  if (good.kind === 'number' && way.kind === 'number' && way.ofPart) {
    const part = partAtPoint(sheet, check.point!);
    const modes = Object.entries(partKinds[part.kind].rates) as [FaultMode, number][];
    const all = modes.reduce((sum, [, rate]) => sum + rate, 0);
    const listed = modesListed(sheet).get(check.point!.parts[0]!);
    let left = 0;
    const failed = modes.flatMap(([mode, rate]) => {
      const found = way.ofPart!(part, mode);
      if (found.kind !== 'number') return [];
      const chance = (share * rate * (listed?.has(mode) ? unlikeListed : 1)) / all;
      left += chance;
      return scaled(found.components, chance);
    });
    return { ...good, components: [...scaled(good.components, 1 - left), ...merged(failed)] };
  }
  if (good.kind !== 'choice' || way.kind === 'number' || !way.ofParts) return good;
  const chances = new Map([...good.chances].map(([word, chance]) => [word, chance * (1 - share)]));
  for (const id of own) {
    const { kind } = sheet.parts.get(id)!;
    const [mode] = (Object.entries(partKinds[kind].rates) as [FaultMode, number][]).reduce((most, one) =>
      one[1] > most[1] ? one : most,
    );
    const suspected = check.point!.parts.map((other) => ({
      id: other,
      kind: sheet.parts.get(other)!.kind,
      fault: other === id ? { mode, appears: 'always' as const } : undefined,
    }));
    const found = way.ofParts(suspected, check.point!.miss);
    if (found.kind === 'choice')
      for (const [word, chance] of found.chances)
        chances.set(word, (chances.get(word) ?? 0) + (chance * share) / own.length);
  }
  return { kind: 'choice', chances };
}

const listedModes = new WeakMap<Sheet, ReadonlyMap<string, ReadonlySet<FaultMode>>>();

/** The ways of failing that a sheet lists, by part. */
function modesListed(sheet: Sheet): ReadonlyMap<string, ReadonlySet<FaultMode>> {
  let found = listedModes.get(sheet);
  if (!found) {
    const modes = new Map<string, Set<FaultMode>>();
    for (const { part, mode } of sheet.faults.values()) modes.set(part, (modes.get(part) ?? new Set()).add(mode));
    listedModes.set(sheet, (found = modes));
  }
  return found;
}

/** Like components taken together. */
function merged(components: readonly Component[]): Component[] {
  const found = new Map<string, Component>();
  for (const one of components) {
    const key = `${one.value}@${one.sigma}@${one.shape}`;
    found.set(key, { ...one, chance: one.chance + (found.get(key)?.chance ?? 0) });
  }
  return [...found.values()];
}
