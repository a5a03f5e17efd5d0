import * as yup from 'yup';
import { attempt, parseQuantity, Refusal } from '../../quantity';
import { type Sheet, type Store } from '../../sheet';
import { type LineKind, type LineOf, name, between } from '../line';

/** More than any store of a set holds, in volts. */
const mostVolts = 50_000;

const fields = yup.object({ store: name(), volts: between(-mostVolts, mostVolts) });

/** The volts measured across a store of charge with the plug out: always kept, only a low one proves. */
export type StoreLine = LineOf<'store', typeof fields>;

/** Below this a store is called discharged; above it the band goes on asking. In volts. */
export const provenBelow = 30;

/** Does a reading of a store prove it discharged? */
export const isLow = ({ volts }: { readonly volts: number }): boolean => Math.abs(volts) < provenBelow;

export const store: LineKind<StoreLine> = {
  work: 'powering',
  fields,
  unknown: ({ store: id }, { sheet }) => (sheet.stores.has(id) ? undefined : `${sheet.title} has no store "${id}"`),
  fold(bench, { store: id, volts }, { at }) {
    bench.stores = [...bench.stores.filter((one) => one.store !== id), { store: id, volts, at }];
    if (bench.context.power === 'live') return;
    // What has recovered since it was measured is no longer proven.
    const proven = bench.storesToProve.every((one) => bench.stores.some((read) => read.store === one && isLow(read)));
    bench.context = { ...bench.context, power: proven ? 'proven' : 'unplugged' };
  },
  said: ({ store: id, volts }) => `${id} measured ${volts} V`,
  typed(words, { sheet, context }) {
    if (!context || context.power === 'live' || !storeNamed(sheet, words[0] ?? '')) return undefined;
    // Anything but volts is a reading of the part itself.
    const read = attempt(() => parseQuantity(words.slice(1).join(' ')));
    if (read instanceof Refusal || (read.unit !== undefined && read.unit !== 'V')) return undefined;
    return storeReading(words, sheet, undefined);
  },
};

const storeNamed = ({ stores }: Sheet, word: string): Store | undefined =>
  [...stores.values()].find(({ id }) => id.toLowerCase() === word.toLowerCase());

/**
 * Reads `C812 4`, or the bare volts of the store that is due. The same rule holds wherever a store is read.
 *
 * @throws Refusal where there is no such store, or no volts
 */
export function storeReading(words: readonly string[], sheet: Sheet, due: Store | undefined): StoreLine {
  const [first = ''] = words;
  const ids = [...sheet.stores.keys()];
  const named = storeNamed(sheet, first);
  if (!named && first !== '' && !/^([-+.,\d]|ol$|open$)/i.test(first))
    throw new Refusal(`there is no store "${first}"; there are ${ids.join(', ')}`);
  const read = named ?? due;
  if (!read) throw new Refusal(`say which store: ${ids.join(', ')}, like "${ids[0] ?? 'C1'} 4"`);
  const written = (named ? words.slice(1) : words).join(' ');
  const example = `like "${read.id} 4"`;
  if (written === '') throw new Refusal(`${read.id} needs the volts measured across it, ${example}`);
  const { value, unit } = parseQuantity(written);
  if ((unit !== undefined && unit !== 'V') || !Number.isFinite(value))
    throw new Refusal(`${read.id} is read in volts, ${example}`);
  if (Math.abs(value) > mostVolts) throw new Refusal(`${value} V is more than any store here holds: ${example}`);
  return { kind: 'store', store: read.id, volts: value };
}
