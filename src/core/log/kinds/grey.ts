import * as yup from 'yup';
import { type LineKind, type LineOf } from '../line';

const share = () => yup.number().moreThan(0).lessThan(1);
const fields = yup.object({
  bar: yup
    .string()
    .oneOf(['dark', 'bright'] as const)
    .required(),
  /** How it looks beside grey, where an eye says so. */
  looks: yup.string().oneOf(['reddish', 'purplish', 'bluish', 'blue-green', 'greenish', 'yellowish', 'grey'] as const),
  /** What a colour meter reads of it (CIE 1931; Y in candela a square metre). */
  x: share(),
  y: share(),
  luminance: yup.number().moreThan(0).max(100_000),
});

/** A bar of the grey scale, as it was seen or measured. */
export type GreyLine = LineOf<'grey', typeof fields>;

export const grey: LineKind<GreyLine> = {
  fields,
  said: ({ bar, looks, x, y }) => `${bar} bar ${looks ?? `at x ${x}, y ${y}`}`,
};
