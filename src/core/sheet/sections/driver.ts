import { count, type Named, oneOf, optional, type Read, record, sectionOf, text } from '../describe';

const driver = record({
  title: text(),
  drives: oneOf(['rows', 'columns']),
  /** What of the screen it drives: its upper or left half, its lower or right, or all of it. */
  half: oneOf(['first', 'second', 'both'], 'both'),
  /** Rows or columns that it drives. */
  lines: count(384, { least: 1, most: 20_000 }),
  /** Ribbons to the panel that share them evenly. */
  ribbons: count(4, { least: 1, most: 64 }),
  /** The plug or ribbon by which it is fed. */
  plug: optional(text()),
  /** The sign that a band lies in its half. */
  sign: optional(text()),
});

/** A board that drives the rows or columns of a panel by ribbons. */
export type Driver = Named<Read<typeof driver>>;

export const drivers = sectionOf<Read<typeof driver>, Driver>(driver);
