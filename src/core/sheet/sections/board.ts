import { count, list, type Named, oneOf, type Read, record, sectionOf, text } from '../describe';
import { sides } from '../words';

const board = record({
  title: text(),
  aliases: list(text()),
  side: oneOf(sides, 'cold'),
  /** What a good one would fetch, in the shop's money. */
  value: count(0, { least: 0 }),
  /** Minutes to take it out and put it back. */
  removal: count(10, { least: 0 }),
});

/** A printed board of the set. */
export type Board = Named<Read<typeof board>>;

export const boards = sectionOf<Read<typeof board>, Board>(board);
