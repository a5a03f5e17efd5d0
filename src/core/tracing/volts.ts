import { attempt, parseQuantity, Refusal, type Volts } from '../quantity';
import { readSpot } from './fact';
import { isRail, type Spot, type TracedPart } from './part';

/** A spot as it reads with the set live, to ground. */
export interface SpotVolts {
  readonly at: Spot;
  readonly volts: Volts;
}

/**
 * Reads `volts Q5.c 4.2`: a pin, and what it reads to ground with the set live; `volts Q5.c off` takes that back.
 *
 * @throws Refusal
 */
export function readSpotVolts(
  typed: string,
  parts: ReadonlyMap<string, TracedPart>,
): { readonly at: Spot; readonly volts: Volts | undefined } {
  const [, place, read, ...more] = typed.trim().split(/\s+/);
  if (place === undefined || read === undefined || more.length > 0)
    throw new Refusal('a pin and what it reads to ground, the set live: volts Q5.c 4.2, or volts Q5.c off');
  const at = readSpot(place, parts);
  if (isRail(at)) throw new Refusal(`${at} has its volts by its name: say what a pin reads, volts Q5.c 4.2`);
  if (read.toLowerCase() === 'off') return { at, volts: undefined };
  const volts = attempt(() => parseQuantity(read));
  if (volts instanceof Refusal || !Number.isFinite(volts.value) || (volts.unit && volts.unit !== 'V'))
    throw new Refusal(`"${read}" is no volts: write volts ${place} 4.2`);
  return { at, volts: volts.value };
}
