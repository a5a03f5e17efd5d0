import { attempt, parseQuantity, Refusal, type Volts } from '../quantity';
import { readSpot } from './fact';
import { type TracedNet } from './net';
import { type Spot, type TracedPart } from './part';

/** A spot as it reads with the set live, to ground. */
export interface SpotVolts {
  readonly at: Spot;
  readonly volts: Volts;
}

/**
 * Reads `volts Q5.c 4.2`: a pin or a rail, and what it reads to ground with the set live; `volts Q5.c off` takes that back.
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
  if (at === 'gnd') throw new Refusal('volts are read to gnd: say what another pin reads, volts Q5.c 4.2');
  if (read.toLowerCase() === 'off') return { at, volts: undefined };
  const volts = attempt(() => parseQuantity(read));
  if (volts instanceof Refusal || !Number.isFinite(volts.value) || (volts.unit && volts.unit !== 'V'))
    throw new Refusal(`"${read}" is no volts: write volts ${place} 4.2`);
  return { at, volts: volts.value };
}

/** What was read, in volts by the name of its node; what is nowhere on the board is left out. */
export const readByNode = (net: TracedNet, volts: readonly SpotVolts[]): ReadonlyMap<string, Volts> =>
  new Map(
    volts.flatMap(({ at, volts: found }) => {
      const node = net.nodeOf.get(at);
      return node ? [[node.name, found] as const] : [];
    }),
  );
