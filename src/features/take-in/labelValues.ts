import { parseQuantity, QuantityError } from '@/core/quantity';
import { type Sheet } from '@/core/sheet';

/** Label values as typed, read; what is left empty stays at the sheet's own. */
export function labelValues(
  { label }: Pick<Sheet, 'label'>,
  typed: Readonly<Record<string, string>>,
): { values: Record<string, number>; wrong: string | undefined } {
  const values: Record<string, number> = {};
  for (const field of label.values()) {
    const text = typed[field.id]?.trim() ?? '';
    if (text === '') continue;
    try {
      values[field.id] = parseQuantity(text).value;
    } catch (error) {
      if (!(error instanceof QuantityError)) throw error;
      return { values, wrong: `${field.title}: ${error.message}` };
    }
  }
  return { values, wrong: undefined };
}
