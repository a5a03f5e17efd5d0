import { type Named, oneOf, optional, quantity, type Read, record, sectionOf, text } from '../describe';
import { sides } from '../words';

const store = record({
  title: text(''),
  farads: quantity('F'),
  volts: quantity('V'),
  /** Resistance that drains it by itself, in ohms; absent where nothing does. */
  bleed: optional(quantity('Ω')),
  side: oneOf(sides, 'hot'),
  place: text(''),
});

/** Something that holds charge after the plug is pulled. */
export type Store = Named<Read<typeof store>>;

export const stores = sectionOf<Read<typeof store>, Store>(store, (entry, read) => ({
  id: entry.name,
  ...read,
  title: read.title === '' ? entry.name : read.title,
}));
