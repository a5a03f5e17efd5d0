import { attempt, type Ohms, parseQuantity, Refusal } from '../quantity';
import { readSpot } from './fact';
import { type Spot, type TracedPart } from './part';

/** What lifting a part did to a short. */
export interface Lift {
  readonly ref: string;
  /** Whether the short went with it. */
  readonly gone: boolean;
}

/** A place that reads like a short to ground, with what was lifted to find where it comes from. */
export interface TracedShort {
  readonly at: Spot;
  /** What was read there, to ground. */
  readonly ohms: Ohms;
  readonly lifts: readonly Lift[];
}

/** What a short is taken to read where nothing is said. */
const usualOhms: Ohms = 1;

/**
 * Reads `short +12 0.8`: a rail or a pin, with what it reads to ground; `short off` ends the following.
 *
 * @throws Refusal
 */
export function readShort(typed: string, parts: ReadonlyMap<string, TracedPart>): TracedShort | undefined {
  const [, place, read, ...more] = typed.trim().split(/\s+/);
  if (place === undefined || more.length > 0)
    throw new Refusal('a place and what it reads to ground: short +12 0.8, or short off');
  if (place.toLowerCase() === 'off') return undefined;
  const at = readSpot(place, parts);
  if (at === 'gnd') throw new Refusal('the ground is no short: say which rail or pin reads like one, short +12 0.8');
  if (read === undefined) return { at, ohms: usualOhms, lifts: [] };
  const ohms = attempt(() => parseQuantity(read));
  if (ohms instanceof Refusal || !(ohms.value >= 0) || (ohms.unit && ohms.unit !== 'Ω'))
    throw new Refusal(`"${read}" is no ohms: write short ${place} 0.8`);
  return { at, ohms: ohms.value, lifts: [] };
}

/** Reads `lifted C5 gone` or `lifted C5 still`. @throws Refusal */
export function readLift(typed: string, parts: ReadonlyMap<string, TracedPart>): Lift {
  const [, name = '', found = '', ...more] = typed.trim().split(/\s+/);
  const part = parts.get(name.toUpperCase());
  if (!part) throw new Refusal(`there is no part "${name}" here: lifted C5 gone, or lifted C5 still`);
  if (!/^(?:gone|still)$/i.test(found) || more.length > 0)
    throw new Refusal(
      `is the short gone with ${part.ref} lifted, or still there? Write lifted ${part.ref} gone, or still`,
    );
  return { ref: part.ref, gone: found.toLowerCase() === 'gone' };
}
