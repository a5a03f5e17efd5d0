import { attempt, placed, Refusal } from '../quantity';
import { readPart, type SupplyPart } from './part/readPart';

/** A part with how many of it, and where they lie. */
export interface CountedPart {
  readonly part: SupplyPart;
  readonly count: number;
  readonly drawer: string;
}

/** So many of one kind a shop may have, or want. */
export const mostPieces = 100_000;

/**
 * Reads a part with its number and drawer: `C 680u 50V 105 lowesr x4 in B3`. One, where no number is written.
 *
 * @throws Refusal
 */
export function readCounted(typed: string): CountedPart {
  const [, rest = typed, drawer = ''] = /^(.*?)\s+in\s+(\S.*)$/i.exec(typed.trim()) ?? [];
  const whole = attempt(() => readPart(rest));
  // On the mains x2 is a safety class; anywhere else it is a number.
  const isWhole = !(whole instanceof Refusal) && (whole.figures.class === undefined || whole.figures.ac !== undefined);
  if (isWhole) return { part: whole, count: 1, drawer: drawerOf(drawer) };
  const [, text = rest, number] = /^(.*?)\s+[x×](\S+)$/i.exec(rest.trim()) ?? [];
  const count = number === undefined ? 1 : Number(number);
  if (!Number.isInteger(count) || count < 1 || count > mostPieces)
    throw new Refusal(`"x${number}" is no number of pieces: write x4, up to x${mostPieces}`);
  return { part: readPart(text), count, drawer: drawerOf(drawer) };
}

function drawerOf(typed: string): string {
  if (typed.trim().length > 40) throw new Refusal('the name of a drawer has at most 40 letters');
  return typed.trim();
}

/**
 * Reads what is written one a line; empty lines are passed over.
 *
 * @throws Refusal naming the first line that is wrong
 */
export const readLines = <Line>(text: string, read: (line: string) => Line): Line[] =>
  text.split('\n').flatMap((line, at) => (line.trim() === '' ? [] : [placed(`line ${at + 1}`, () => read(line))]));
