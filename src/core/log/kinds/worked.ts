import * as yup from 'yup';
import { between, type LineKind, type LineOf, name } from '../line';

/** Ways to make an intermittent place answer. */
export const workedBy = ['press', 'tap', 'heat', 'chill'] as const;
export type WorkedBy = (typeof workedBy)[number];

const fields = yup.object({
  board: name(),
  /** From 0 to 1 across the board and down it. */
  x: between(0, 1),
  y: between(0, 1),
  by: yup.string().oneOf(workedBy).required(),
  /** 0 nothing, 1 a flicker, 2 comes and goes, 3 every time. */
  answer: yup
    .number()
    .oneOf([0, 1, 2, 3] as const)
    .required(),
});

/** A place worked on with stick, knuckle, heat or cold. */
export type WorkedLine = LineOf<'worked', typeof fields>;

export const worked: LineKind<WorkedLine> = {
  work: 'measuring',
  fields,
  unknown: ({ board }, { sheet }) => (sheet.boards.has(board) ? undefined : `${sheet.title} has no board "${board}"`),
  said: ({ board, by, answer }) => `${board}, ${by}: ${answer} of 3`,
};
