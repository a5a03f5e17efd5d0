import * as yup from 'yup';
import { Refusal } from '../../quantity';
import { type LineKind, type LineOf } from '../line';

const fields = yup.object({
  power: yup
    .string()
    .oneOf(['live', 'unplugged'] as const)
    .required(),
});

/** Power applied, or the plug pulled. */
export type PowerLine = LineOf<'power', typeof fields>;

export const power: LineKind<PowerLine> = {
  work: 'powering',
  fields,
  fold(bench, { power: now }, { at }) {
    // The stores charge again with every power-up; what they read before is worth nothing.
    if (now === 'live') bench.stores = [];
    bench.context = { ...bench.context, power: now };
    bench.since = at;
    bench.episode += 1;
  },
  said: ({ power: now }) => (now === 'live' ? 'power on' : 'plug out'),
  typed(words) {
    const [word] = words;
    if (words.length !== 1) return undefined;
    if (word === 'proven') throw new Refusal('proven dead is a reading: measure each store, like "C812 3"');
    return word === 'live' || word === 'unplugged' ? { kind: 'power', power: word } : undefined;
  },
};
