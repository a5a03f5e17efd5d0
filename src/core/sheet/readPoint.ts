import { parseTolerance, type Tolerance } from '../quantity';
import { type Field } from './field';
import { readPartValue } from './partValue';
import { grounds, measures, type Point, type Sign, sources } from './sheet';

/** Where a net or a point names none. */
export const defaultTolerance: Tolerance = { relative: 0.05 };

/** Reads where to measure what. */
export function readPoint(entry: Field): Point {
  entry.only(
    'title',
    'where',
    'measure',
    'net',
    'parts',
    'board',
    'ground',
    'state',
    'minutes',
    'danger',
    'miss',
    'aliases',
    'expect',
    'tolerance',
    'source',
    'page',
  );
  const measure = entry.get('measure').oneOf(measures);
  const live =
    measure === 'dc' ||
    measure === 'ac' ||
    measure === 'ripple' ||
    measure === 'hertz' ||
    measure === 'press' ||
    measure === 'swap';
  const net = entry.get('net').optionalText();
  const board = entry.get('board').optionalText();
  const expect = entry.get('expect').present ? entry.get('expect').attempt(readAnyQuantity, 0) : undefined;
  const page = entry.get('page').optionalText();
  return {
    id: entry.name,
    title: entry.get('title').text(entry.name),
    where: entry.get('where').text(''),
    measure,
    parts: entry.get('parts').texts(),
    ground: entry.get('ground').oneOf(grounds, live && measure !== 'press' && measure !== 'swap' ? 'chassis' : 'none'),
    state: entry.get('state').oneOf(['live', 'cold'] as const, live ? 'live' : 'cold'),
    minutes: entry.get('minutes').number(1, 0, 600),
    danger: entry.get('danger').number(0, 0, 3) as Point['danger'],
    miss: entry.get('miss').number(measure === 'look' ? 0.25 : measure === 'press' ? 0.2 : 0.01, 0, 0.95),
    aliases: entry.get('aliases').texts(),
    place: entry.place,
    ...(net === undefined ? {} : { net }),
    ...(board === undefined ? {} : { board }),
    ...(expect === undefined ? {} : { expect }),
    ...(page === undefined ? {} : { page }),
    ...(entry.get('tolerance').present
      ? { tolerance: entry.get('tolerance').attempt(parseTolerance, defaultTolerance) }
      : {}),
    ...(entry.get('source').present ? { source: entry.get('source').oneOf(sources) } : {}),
  };
}

function readAnyQuantity(text: string): number {
  return readPartValue('resistor', text).size ?? 0;
}

/** Reads what is seen, heard or smelt. */
export function readSign(entry: Field): Sign {
  entry.only('title', 'sense', 'follows');
  const follows = entry.get('follows').optionalText();
  return {
    id: entry.name,
    title: entry.get('title').text(),
    sense: entry.get('sense').oneOf(['see', 'hear', 'smell'] as const, 'hear'),
    ...(follows === undefined ? {} : { follows }),
  };
}
