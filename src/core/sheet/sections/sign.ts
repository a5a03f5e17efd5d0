import { type Named, oneOf, optional, type Read, record, sectionOf, text } from '../describe';

const sign = record({
  title: text(),
  sense: oneOf(['see', 'hear', 'smell'], 'hear'),
  /** The net whose state makes it; without one only a fault causes it. */
  follows: optional(text()),
  /** The board it is on, where that may be cut off from the net’s source: a light of its own supply. */
  board: optional(text()),
});

/** Something seen, heard or smelt at power-up. */
export type Sign = Named<Read<typeof sign>>;

export const signs = sectionOf<Read<typeof sign>, Sign>(sign);
