import { Refusal } from '../quantity';
import { type CountedPart, mostPieces, readCounted } from './countedPart';
import { readPart, type SupplyPart } from './part/readPart';
import { type Place, readPlace } from './substitute/place';

/** What a line typed at the shelf comes to. */
export type ShelfLine =
  /** Looks for something, and takes or puts so many of what is chosen, or says how many were counted. */
  | { readonly do: 'search'; readonly typed: string; readonly delta: number; readonly counted?: number }
  /** Puts parts into a drawer. */
  | { readonly do: 'put'; readonly counted: CountedPart }
  /** Asks what would do in place of a part. */
  | { readonly do: 'for'; readonly part: SupplyPart; readonly place: Place | undefined };

/**
 * Reads a line typed at the shelf:
 *
 *     680u 50V                              what is there
 *     680u 50V -4                           and takes four of what is chosen
 *     B3 =7                                 seven of what is chosen were counted
 *     put C 680u 50V 105 lowesr x4 in B3
 *     for C 680u 50V 105 at 24 V 50 kHz     what would do
 *
 * @throws Refusal
 */
export function readShelfLine(typed: string): ShelfLine {
  const line = typed.trim();
  const [, verb = '', rest = ''] = /^(put|for)\s+(.*)$/i.exec(line) ?? [];
  if (verb.toLowerCase() === 'put') return { do: 'put', counted: readCounted(rest) };
  if (verb.toLowerCase() === 'for') {
    const [, part = rest, place] = /^(.*?)\s+at\s+(.*)$/i.exec(rest) ?? [];
    return { do: 'for', part: readPart(part), place: place === undefined ? undefined : readPlace(place) };
  }
  const [, text = line, number] = /^(.*?)(?:^|\s)([+=-]\d+)$/.exec(line) ?? [];
  const value = number === undefined ? 0 : Number(number.replace('=', ''));
  if (Math.abs(value) > mostPieces) throw new Refusal(`${number} is no number of pieces: up to ${mostPieces}`);
  return number?.startsWith('=')
    ? { do: 'search', typed: text.trim(), delta: 0, counted: value }
    : { do: 'search', typed: text.trim(), delta: value };
}
