import * as yup from 'yup';
import { Refusal } from '../../quantity';
import { type LineKind, type LineOf } from '../line';

const fields = yup.object({
  power: yup
    .string()
    .oneOf(['live', 'unplugged'] as const)
    .required(),
});

/** What is typed when power was applied or the plug pulled. */
const powerWords: ReadonlyMap<string, 'live' | 'unplugged'> = new Map([
  ['live', 'live'],
  ['on', 'live'],
  ['power on', 'live'],
  ['unplugged', 'unplugged'],
  ['unplug', 'unplugged'],
  ['plug out', 'unplugged'],
]);

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
    const said = words.join(' ').toLowerCase();
    if (said === 'proven') throw new Refusal('proven dead is a reading: measure each store, like "C812 3"');
    if (said === 'off' || said === 'power off')
      throw new Refusal(`"${said}" leaves it on the mains: pull the plug, then say "unplugged"`);
    const power = powerWords.get(said);
    return power && { kind: 'power', power };
  },
};
