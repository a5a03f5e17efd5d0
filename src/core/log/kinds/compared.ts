import * as yup from 'yup';
import { type LineKind, type LineOf, name, text } from '../line';

/** So many letters of a table stay with a job. */
export const longestTable = 8000;

const fields = yup.object({
  title: text(80),
  table: name(longestTable),
  /** A photograph of the job that shows where it was read. */
  photo: yup.string().min(8).max(64),
});

/** A table of repetitions side by side, as it was written down, and what it was called. */
export type ComparedLine = LineOf<'compared', typeof fields>;

export const compared: LineKind<ComparedLine> = {
  work: 'measuring',
  fields,
  fold(bench, { title, table, photo }, entry) {
    bench.tables.push({ entry, title, table, photo, afterRepairs: bench.repairs.length });
  },
  said: ({ title }) => `compared${title === '' ? '' : `: ${title}`}`,
};
