import { count, flag, list, type Named, type Read, record, sectionOf, text } from '../describe';

const connector = record({
  title: text(''),
  from: text(),
  to: text(),
  carries: list(text()),
  minutes: count(1, { least: 0 }),
  /** May the set be run with it pulled? */
  unplug: flag(false),
});

/** A plug between two boards. */
export type Connector = Named<Read<typeof connector>>;

export const connectors = sectionOf<Read<typeof connector>, Connector>(connector, (entry, read) => ({
  id: entry.name,
  ...read,
  title: read.title === '' ? entry.name : read.title,
}));
