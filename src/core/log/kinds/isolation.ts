import * as yup from 'yup';
import { type LineKind, type LineOf, putInOrOut } from '../line';

const fields = yup.object({ fitted: yup.boolean().required() });

/** The set fed by an isolating transformer, or straight from the mains. */
export type IsolationLine = LineOf<'isolation', typeof fields>;

export const isolation: LineKind<IsolationLine> = {
  work: 'powering',
  fields,
  fold(bench, { fitted }) {
    bench.isolated = fitted;
  },
  said: ({ fitted }) => (fitted ? 'isolating transformer in' : 'not isolated'),
  typed(words) {
    const fitted = putInOrOut(words, 'isolation');
    return fitted === undefined ? undefined : { kind: 'isolation', fitted };
  },
};
