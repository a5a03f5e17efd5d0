import { Refusal } from '../quantity';
import { readSpot } from './fact';
import { type Spot, type TracedPart } from './part';

/** Whether what goes along a path was there at a spot of it. */
export interface Look {
  readonly at: Spot;
  readonly there: boolean;
}

/** A signal, a drive or a supply that is followed on its way. */
export interface TracedPath {
  /** Where it comes from; undefined for the nearest chip that it may come from. */
  readonly from: Spot | undefined;
  readonly to: Spot;
  /** What was found on the way with the set live, each spot once. */
  readonly looks: readonly Look[];
}

/**
 * Reads `path IC1.8 CN9.3`: where something comes from and where it should arrive; `path CN9.3` follows it back to the
 * nearest chip, `path off` ends it.
 *
 * @throws Refusal
 */
export function readPath(typed: string, parts: ReadonlyMap<string, TracedPart>): TracedPath | undefined {
  const [, first, second, ...more] = typed.trim().split(/\s+/);
  if (first === undefined || more.length > 0)
    throw new Refusal('where it comes from and where it should arrive: path IC1.8 CN9.3, path CN9.3, or path off');
  if (first.toLowerCase() === 'off') return undefined;
  const spots = [first, ...(second === undefined ? [] : [second])].map((one) => readSpot(one, parts));
  const to = spots[spots.length - 1]!;
  const from = spots.length > 1 ? spots[0] : undefined;
  if (from === to) throw new Refusal(`${to} twice: a path leads from one spot to another`);
  if (spots.includes('gnd')) throw new Refusal('nothing is followed to the ground: say at which pin it should arrive');
  return { from, to, looks: [] };
}

/** Reads `there R12.2` or `gone Q5.b`, upon what was found before. @throws Refusal */
export function withLook(path: TracedPath, typed: string, parts: ReadonlyMap<string, TracedPart>): TracedPath {
  const [word = '', place, ...more] = typed.trim().split(/\s+/);
  if (place === undefined || more.length > 0) throw new Refusal(`at which pin? Write ${word.toLowerCase()} ${path.to}`);
  const at = readSpot(place, parts);
  const there = word.toLowerCase() === 'there';
  return { ...path, looks: [...path.looks.filter((one) => one.at !== at), { at, there }] };
}
