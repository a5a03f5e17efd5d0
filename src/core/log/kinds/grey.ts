import * as yup from 'yup';
import { type LineKind, type LineOf } from '../line';

/** How a bar looks beside grey; each tint 60° further round than the one before. */
export const tints = ['reddish', 'purplish', 'bluish', 'blue-green', 'greenish', 'yellowish'] as const;
export type Look = (typeof tints)[number] | 'grey';

/** The bars that are made grey: one near black, one near white. */
export const bars = ['dark', 'bright'] as const;
export type Bar = (typeof bars)[number];

const share = () => yup.number().moreThan(0).lessThan(1);
const fields = yup.object({
  bar: yup.string().oneOf(bars).required(),
  /** How it looks beside grey, where an eye says so. */
  looks: yup.string().oneOf([...tints, 'grey'] as const),
  /** What a colour meter reads of it (CIE 1931; Y in candela a square metre). */
  x: share(),
  y: share(),
  luminance: yup.number().moreThan(0).max(100_000),
});

/** A bar of the grey scale, as it was seen or measured. */
export type GreyLine = LineOf<'grey', typeof fields>;

export const grey: LineKind<GreyLine> = {
  work: 'setting up',
  fields,
  said: ({ bar, looks, x, y }) => `${bar} bar ${looks ?? `at x ${x}, y ${y}`}`,
};
