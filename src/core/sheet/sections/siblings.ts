import { list, type Named, type Read, record, sectionOf, text } from '../describe';

const group = record({
  title: text(),
  columns: list(text()),
  /** From the picture back towards the signal. */
  rows: list(
    record({
      title: text(),
      points: list(text()),
      /** Per column: the parts between this row and the next. */
      parts: list(list(text())),
    }),
  ),
});

/** Like circuits whose readings should agree, e.g. three colour channels. */
export type Siblings = Named<Read<typeof group>>;

export const siblings = sectionOf<Read<typeof group>, Siblings>(group);
