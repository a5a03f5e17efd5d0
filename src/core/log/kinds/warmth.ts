import * as yup from 'yup';
import { type LineKind, type LineOf } from '../line';

const fields = yup.object({ warm: yup.boolean().required() });

/** The set has run until everything reached its heat, or has cooled down. */
export type WarmthLine = LineOf<'warmth', typeof fields>;

export const warmth: LineKind<WarmthLine> = {
  work: 'powering',
  fields,
  fold(bench, { warm }) {
    bench.context = { ...bench.context, warm };
  },
  said: ({ warm }) => (warm ? 'warm' : 'cold'),
  typed([word, ...more]) {
    if (more.length > 0 || (word !== 'warm' && word !== 'cold')) return undefined;
    return { kind: 'warmth', warm: word === 'warm' };
  },
};
