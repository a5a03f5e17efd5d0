import { parseQuantity, QuantityError, unitNames } from '@/core/quantity';
import { type Reckoning, type ReckonLine, type ReckonField, type Typed } from './reckonings';

/** What the fields come to: an answer, nothing yet, or what is wrong and in which field. */
export type Reckoned =
  | { readonly kind: 'answer'; readonly lines: readonly ReckonLine[] }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'wrong'; readonly field?: string; readonly message: string };

function valuesOf({ unit, label, list }: ReckonField, text: string): number[] {
  return (list ? text.trim().split(/[\s;]+/) : [text]).map((word) => {
    const quantity = parseQuantity(word);
    if (quantity.unit !== undefined && quantity.unit !== unit)
      throw new QuantityError(`${label} is in ${unitNames[unit]}, not ${unitNames[quantity.unit]}`);
    return quantity.value;
  });
}

/** Reckons with what was typed, by key of the field. */
export function reckon({ fields, reckon: work }: Reckoning, texts: Readonly<Record<string, string>>): Reckoned {
  const typed: Record<string, readonly number[]> = {};
  let waiting = false;
  for (const field of fields) {
    const text = texts[field.key]?.trim() ?? '';
    if (text === '') {
      if (!field.optional) waiting = true;
      continue;
    }
    try {
      typed[field.key] = valuesOf(field, text);
    } catch (error) {
      if (error instanceof QuantityError) return { kind: 'wrong', field: field.key, message: error.message };
      throw error;
    }
  }
  if (waiting) return { kind: 'waiting' };
  try {
    const lines = work(typed satisfies Typed);
    return lines.length > 0 ? { kind: 'answer', lines } : { kind: 'waiting' };
  } catch (error) {
    if (error instanceof RangeError) return { kind: 'wrong', message: error.message };
    throw error;
  }
}

/** The answer with its inputs as one line to keep. */
export function noteOf(
  { title, fields }: Reckoning,
  texts: Readonly<Record<string, string>>,
  lines: readonly ReckonLine[],
): string {
  const given = fields.flatMap(({ key, label }) => (texts[key]?.trim() ? [`${label} ${texts[key]!.trim()}`] : []));
  return `${title} (${given.join(', ')}): ${lines
    .filter(({ tone }) => tone !== 'caution')
    .map(({ label, text }) => `${label} ${text}`)
    .join('; ')}`;
}
