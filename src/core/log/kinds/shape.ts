import * as yup from 'yup';
import { between, type LineKind, type LineOf, name, text } from '../line';

const percent = () => between(-1000, 1000);
const fields = yup.object({
  /** How far crossings lie from where they should, in percent of the screen’s width: usually, at most, and past explaining. */
  off: percent(),
  furthest: percent(),
  unexplained: percent(),
  terms: yup
    .array(yup.object({ term: name(40), percent: percent(), spread: between(0, 1000) }).required())
    .max(40)
    .required(),
  /** The furthest that red or blue lies beside green, in millimetres; absent where the colours were not read. */
  colours: yup.number().min(0).max(1000),
  /** The photograph it was read from; absent where it was measured with a rule, or the photograph was not kept. */
  photo: text(64).min(8).optional(),
});

/** The shape of the picture, as it was measured. */
export type ShapeLine = LineOf<'shape', typeof fields>;

export const shape: LineKind<ShapeLine> = {
  work: 'setting up',
  fields,
  said: ({ off, furthest, colours }) =>
    `picture measured: ${off.toFixed(1)} % of the width off, ${furthest.toFixed(1)} % at worst${colours === undefined ? '' : `, colours ${colours.toFixed(1)} mm apart`}`,
};
