import {
  made,
  type Named,
  oneOf,
  optional,
  quantity,
  type Read,
  record,
  sectionOf,
  text,
  tolerance,
} from '../describe';
import { sources } from '../words';

const field = record({
  title: text(''),
  nominal: quantity('V'),
  tolerance: tolerance(),
  /** What the nominal is worth on a set whose label nobody has read; it stands for the label where nothing is said. */
  source: optional(oneOf(sources)),
});

/** A value printed on the panel label of each set, in volts. */
export type LabelField = Named<Read<typeof field>>;

export const label = sectionOf<Read<typeof field>, LabelField>(
  made(field, (read, { name }) => ({ ...read, title: read.title === '' ? name : read.title })),
);
