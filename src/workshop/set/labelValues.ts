import { parseQuantity, placed } from '@/core/quantity';
import { type Sheet } from '@/core/sheet';

/**
 * Label values as typed, read in volts; what is left empty stays at the sheet's own.
 *
 * @throws Refusal naming the field that is no value
 */
export function labelValues(
  { label }: Pick<Sheet, 'label'>,
  typed: Readonly<Record<string, string>>,
): Record<string, number> {
  return Object.fromEntries(
    [...label.values()].flatMap(({ id, title }) => {
      const text = typed[id]?.trim() ?? '';
      return text === '' ? [] : [[id, placed(title, () => parseQuantity(text)).value]];
    }),
  );
}
