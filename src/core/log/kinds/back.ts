import * as yup from 'yup';
import { type LineKind, type LineOf, name } from '../line';

const fields = yup.object({
  /** Id of the line by which it was taken apart, at first or as corrected. */
  step: name(64),
});

/** Something that was taken apart is in its place again. */
export type BackLine = LineOf<'back', typeof fields>;

export const back: LineKind<BackLine> = { work: 'taking apart', fields, said: () => 'put back what was taken apart' };
