import * as yup from 'yup';
import { type LineKind, type LineOf, name, text } from '../line';

/** So many letters of a table stay with a job. */
export const longestTable = 8000;

const fields = yup.object({ title: text(80), table: name(longestTable) });

/** A table of repetitions side by side, as it was written down, and what it was called. */
export type ComparedLine = LineOf<'compared', typeof fields>;

export const compared: LineKind<ComparedLine> = {
  work: 'measuring',
  fields,
  fold(bench, { title, table }, entry) {
    bench.tables.push({ entry, title, table, afterRepairs: bench.repairs.length });
  },
  said: ({ title }) => `compared${title === '' ? '' : `: ${title}`}`,
};
