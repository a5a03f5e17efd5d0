import * as yup from 'yup';
import { type LineKind, type LineOf } from '../line';

const fields = yup.object({});

/** Takes back the line it supersedes. */
export type WithdrawnLine = LineOf<'withdrawn', typeof fields>;

export const withdrawn: LineKind<WithdrawnLine> = { work: 'writing', fields, said: () => 'taken back' };
