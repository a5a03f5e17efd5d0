import * as yup from 'yup';
import { type LineKind, type LineOf, name } from '../line';

const fields = yup.object({ ref: name(40), line: name(160) });

/** A part measured by itself, as it was typed. */
export type PartLine = LineOf<'part', typeof fields>;

export const part: LineKind<PartLine> = {
  work: 'measuring',
  fields,
  fold: (bench, { ref, line }, stamp) => bench.measuredPart(stamp, ref, line),
  said: ({ line }) => line,
};
