import { parseQuantity } from '../quantity';
import { type PartKind, partKinds } from '../parts';

/**
 * Splits a part value such as `100u 35V` or `1R 1W` into its main quantity and voltage rating.
 *
 * Kinds without a main quantity (a transistor, a connector) give an empty result.
 *
 * @throws Refusal when the first word of a resistor or capacitor is not a quantity
 */
export function readPartValue(kind: PartKind, text: string): { size?: number; voltage?: number } {
  if (partKinds[kind].marked === undefined || text === '') return {};
  const [size = '', ...rest] = text.split(/\s+/);
  const volts = rest.find((word) => /^\d+(\.\d+)?k?V$/.test(word));
  return { size: parseQuantity(size).value, ...(volts === undefined ? {} : { voltage: parseQuantity(volts).value }) };
}
