import { attempt, Refusal } from '../quantity';
import { type PartKind } from '../parts';
import { readPart, type SupplyPart } from './part/readPart';

/** How the kinds of a sheet are bought: the letter, and what they are besides their mark. */
const bought: Readonly<Partial<Record<PartKind, readonly [letter: string, besides: string]>>> = {
  bridge: ['D', 'bridge'],
  ceramic: ['C', 'ceramic'],
  diode: ['D', ''],
  electrolytic: ['C', 'electrolytic'],
  film: ['C', 'film'],
  fuse: ['F', ''],
  fusible: ['R', 'fusible'],
  mosfet: ['Q', 'nfet'],
  optocoupler: ['O', ''],
  resistor: ['R', ''],
  thermistor: ['RT', ''],
  transistor: ['Q', ''],
  varistor: ['RV', ''],
  zener: ['D', 'zener'],
};

/** What is to be bought for a part of a sheet, by its mark: `47u 100V`; undefined where the mark does not say. */
export function fromMark(kind: PartKind, mark: string): SupplyPart | undefined {
  const told = bought[kind];
  if (!told || mark.trim() === '') return undefined;
  const read = attempt(() => readPart(`${told[0]} ${told[1]} ${mark}`));
  return read instanceof Refusal ? undefined : read;
}
