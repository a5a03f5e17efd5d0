import * as yup from 'yup';
import { type LineKind, type LineOf, putInOrOut } from '../line';

const fields = yup.object({ fitted: yup.boolean().required() });

/** A lamp in series with the mains, put in or taken out. */
export type LampLine = LineOf<'lamp', typeof fields>;

export const lamp: LineKind<LampLine> = {
  work: 'powering',
  fields,
  fold(bench, { fitted }) {
    bench.context = { ...bench.context, lamp: fitted };
  },
  said: ({ fitted }) => (fitted ? 'lamp in series' : 'lamp out'),
  typed(words) {
    const fitted = putInOrOut(words, 'lamp');
    return fitted === undefined ? undefined : { kind: 'lamp', fitted };
  },
};
