import { made, type Named, quantity, type Read, record, sectionOf, text, tolerance } from '../describe';

const field = record({ title: text(''), nominal: quantity('V'), tolerance: tolerance() });

/** A value printed on the panel label of each set, in volts. */
export type LabelField = Named<Read<typeof field>>;

export const label = sectionOf<Read<typeof field>, LabelField>(
  made(field, (read, { name }) => ({ ...read, title: read.title === '' ? name : read.title })),
);
