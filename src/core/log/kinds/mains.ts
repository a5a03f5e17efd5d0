import * as yup from 'yup';
import { parseQuantity, Refusal } from '../../quantity';
import { between, type LineKind, type LineOf } from '../line';

const [least, most] = [60, 280];
const fields = yup.object({ volts: between(least, most) });

/** The mains as measured at the bench, in volts r.m.s. */
export type MainsLine = LineOf<'mains', typeof fields>;

export const mains: LineKind<MainsLine> = {
  work: 'powering',
  fields,
  fold(bench, { volts }) {
    bench.mains = volts;
  },
  said: ({ volts }) => `mains measured ${volts} V`,
  typed([word, ...rest]) {
    if (word !== 'mains' || rest.length === 0) return undefined;
    const { value, unit } = parseQuantity(rest.join(' '));
    // Next to nothing is no mains of any country but a reading of a dead inlet.
    if (value >= 0 && value < least && (unit ?? 'V') === 'V') return undefined;
    if ((unit !== undefined && unit !== 'V') || !(value >= least && value <= most))
      throw new Refusal(`mains is read in volts from ${least} to ${most}, like "mains 117"`);
    return { kind: 'mains', volts: value };
  },
};
