import * as yup from 'yup';
import { type LineKind, type LineOf, name } from '../line';

const fields = yup.object({ text: name(120) });

/** A part or a beep of a board that is traced, as it was typed. */
export type TracedLine = LineOf<'traced', typeof fields>;

export const traced: LineKind<TracedLine> = { work: 'tracing', fields, said: ({ text }) => `traced: ${text}` };
