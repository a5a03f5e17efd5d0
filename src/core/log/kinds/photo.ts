import * as yup from 'yup';
import { type LineKind, type LineOf, name, text } from '../line';

const fields = yup.object({ photo: text(64).min(8), board: name(), title: text(120) });

/** A photograph of a board. */
export type PhotoLine = LineOf<'photo', typeof fields>;

export const photo: LineKind<PhotoLine> = {
  work: 'writing',
  fields,
  unknown: ({ board }, { sheet }) => (sheet.boards.has(board) ? undefined : `${sheet.title} has no board "${board}"`),
  said: ({ board, title }) => `photograph of ${board}: ${title}`,
};
