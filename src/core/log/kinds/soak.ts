import * as yup from 'yup';
import { type LineKind, type LineOf, text } from '../line';

const fields = yup.object({
  event: yup
    .string()
    .oneOf(['begun', 'seen', 'ended'] as const)
    .required(),
  text: text(400),
});

/** A soak begun or ended, or something seen while it ran. */
export type SoakLine = LineOf<'soak', typeof fields>;

export const soak: LineKind<SoakLine> = {
  work: 'measuring',
  fields,
  said: ({ event, text: seen }) => (event === 'seen' ? seen : `soak ${event}`),
};
