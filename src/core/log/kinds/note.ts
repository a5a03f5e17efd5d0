import * as yup from 'yup';
import { type LineKind, type LineOf, name } from '../line';

const fields = yup.object({ text: name(2000) });

/** Something worked out or seen, in words. */
export type NoteLine = LineOf<'note', typeof fields>;

export const note: LineKind<NoteLine> = {
  work: 'writing',
  fields,
  fold: (bench, { text }, entry) => bench.notes.push({ entry, text }),
  said: ({ text }) => text,
};
