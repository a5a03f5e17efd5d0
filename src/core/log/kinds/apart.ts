import * as yup from 'yup';
import { Refusal } from '../../quantity';
import { type LineKind, type LineOf, name } from '../line';

/** What is undone or minded when a set is taken apart, each by the letter it is typed with. */
export const apartKinds = {
  screw: { letter: 's', one: 'screw', several: 'screws' },
  cable: { letter: 'c', one: 'cable', several: 'cables' },
  latch: { letter: 'l', one: 'ribbon or latch', several: 'ribbons or latches' },
  ground: { letter: 'g', one: 'ground', several: 'grounds' },
  pad: { letter: 'p', one: 'pad or shield', several: 'pads or shields' },
  snag: { letter: 'n', one: 'snag', several: 'snags' },
} as const;
export type ApartKind = keyof typeof apartKinds;
const kindNames = Object.keys(apartKinds) as ApartKind[];

const fields = yup.object({
  what: yup.string().oneOf(kindNames).required(),
  title: name(120),
  count: yup.number().integer().min(1).max(200).required(),
  /** A photograph of the job that it is on, and where: from 0 to 1 across it and down it. */
  photo: yup.string().min(8).max(64),
  x: yup.number().min(0).max(1),
  y: yup.number().min(0).max(1),
});

/** A step of taking the set apart. */
export type ApartLine = LineOf<'apart', typeof fields>;

/** Words that tell what something is without its letter. */
const tellers: readonly [word: RegExp, what: ApartKind][] = [
  [/\bscrews?\b/i, 'screw'],
  [/\b(?:ribbons?|flex|latch(?:es)?|clips?)\b/i, 'latch'],
  [/\b(?:grounds?|earth|braid)\b/i, 'ground'],
  [/\b(?:pads?|shields?|compound|mica)\b/i, 'pad'],
  [/\b(?:cables?|plugs?|leads?|connectors?|wires?)\b/i, 'cable'],
];

/**
 * Reads a step as it is typed: `s 4 long black, back`, `4 long screws`, `g braid to the neck`, `c CN802`.
 * What is neither by a letter nor by its words is a snag: something to mind.
 *
 * @throws Refusal where nothing was said
 */
export function readApart(typed: string): ApartLine {
  const [, letter, rest = ''] = /^(?:([a-z])\s+)?(.*)$/is.exec(typed.trim())!;
  const byLetter = kindNames.find((one) => apartKinds[one].letter === letter?.toLowerCase());
  const said = byLetter === undefined ? typed.trim() : rest.trim();
  const [, number, title = ''] = /^(?:(\d{1,3})\s*(?:x|×)?\s+)?(.*)$/is.exec(said)!;
  const count = number === undefined ? 1 : Number(number);
  if (!/\p{L}.|.\p{L}/su.test(title) || title.length > 120)
    throw new Refusal('say what it is in at most 120 letters: s 4 long black, back · g braid to the neck · c CN802');
  if (count < 1 || count > 200) throw new Refusal(`${count} of them cannot be: from 1 to 200`);
  const told = tellers.find(([word]) => word.test(title))?.[1];
  const what = byLetter ?? told ?? (number === undefined ? 'snag' : 'screw');
  return { kind: 'apart', what, title, count };
}

/** `4 screws: long black, back`. */
export const apartText = ({ what, title, count }: Pick<ApartLine, 'what' | 'title' | 'count'>): string => {
  const { one, several } = apartKinds[what];
  // What says of itself what it is needs no word before it.
  return what === 'snag' || tellers.some(([word, told]) => told === what && word.test(title))
    ? `${count > 1 ? `${count} ` : ''}${title}`
    : `${count > 1 ? `${count} ${several}` : one}: ${title}`;
};

export const apart: LineKind<ApartLine> = {
  work: 'taking apart',
  fields,
  said: (body) => `taken apart: ${apartText(body)}`,
  typed([verb], { typed }) {
    return verb === 'apart' ? readApart(typed.slice(1).join(' ')) : undefined;
  },
};
