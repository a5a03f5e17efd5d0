import { Refusal, formatQuantity, parseQuantity, unitNames, attempt } from '@/core/quantity';
import { type Known } from './known';
import { type Reckoning, type ReckonLine, type ReckonField, type Typed } from './reckonings';

/** What the fields come to: an answer, nothing yet, or what is wrong and in which field. */
export type Reckoned =
  | { readonly kind: 'answer'; readonly lines: readonly ReckonLine[] }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'wrong'; readonly field?: string; readonly message: string };

/** Texts by key of their field. */
export type Texts = Readonly<Record<string, string>>;

/** What has been typed, read. */
export interface Reading {
  readonly typed: Typed;
  /** What a field has from the sheet or the readings, as it is shown beside it, by key. */
  readonly taken: Texts;
  readonly wrong?: { readonly field: string; readonly message: string };
  /** A field that must be filled is empty. */
  readonly waiting: boolean;
}

const words = (text: string) => text.trim().split(/[\s;]+/);
const nameOf = (word: string, known: readonly Known[]) =>
  known.find(({ name }) => name.toLowerCase() === word.trim().toLowerCase());

function valueOf({ unit, label }: ReckonField, word: string, known: readonly Known[]): number {
  const named = nameOf(word, known);
  if (named) {
    const value = named.values[unit];
    if (value !== undefined) return value;
    const has = Object.keys(named.values).map((one) => unitNames[one as keyof typeof unitNames]);
    throw new Refusal(`${named.name} is known in ${has.join(' and ')}, and ${label} is in ${unitNames[unit]}`);
  }
  const quantity = parseQuantity(word);
  if (quantity.unit !== undefined && quantity.unit !== unit)
    throw new Refusal(`${label} is in ${unitNames[unit]}, not ${unitNames[quantity.unit]}`);
  return quantity.value;
}

/** Reads the fields; a name stands for what is known of it, and fills what follows from it. */
export function readFields({ fields }: Reckoning, texts: Texts, known: readonly Known[] = []): Reading {
  const typed: Record<string, readonly number[]> = {};
  const taken: Record<string, string> = {};
  let waiting = false;
  const named = fields.flatMap(({ key }) => nameOf(texts[key] ?? '', known) ?? []);
  for (const field of fields) {
    const text = texts[field.key]?.trim() ?? '';
    if (text === '') {
      const from = field.follows && named.find(({ values }) => values[field.unit] !== undefined);
      if (from) {
        typed[field.key] = [from.values[field.unit]!];
        taken[field.key] = `${formatQuantity(from.values[field.unit]!, field.unit, 4)} of ${from.name}`;
      } else if (!field.optional) waiting = true;
      continue;
    }
    const each = field.list ? words(text) : [text];
    const values = attempt(() => each.map((word) => valueOf(field, word, known)));
    if (values instanceof Refusal)
      return { typed, taken, waiting, wrong: { field: field.key, message: values.message } };
    typed[field.key] = values;
    if (each.some((word) => nameOf(word, known)))
      taken[field.key] = values.map((value) => formatQuantity(value, field.unit, 4)).join(', ');
  }
  return { typed, taken, waiting };
}

/** Reckons with what was read. */
export function reckon({ reckon: work }: Reckoning, { typed, wrong, waiting }: Reading): Reckoned {
  if (wrong) return { kind: 'wrong', ...wrong };
  if (waiting) return { kind: 'waiting' };
  try {
    const lines = work(typed);
    return lines.length > 0 ? { kind: 'answer', lines } : { kind: 'waiting' };
  } catch (error) {
    if (error instanceof Refusal) return { kind: 'wrong', message: error.message };
    throw error;
  }
}

/** The answer with its inputs as one line to keep. */
export function noteOf(
  { title, fields }: Reckoning,
  texts: Texts,
  { taken }: Pick<Reading, 'taken'>,
  lines: readonly ReckonLine[],
): string {
  const given = fields.flatMap(({ key, label }) => {
    const [text, from] = [texts[key]?.trim() ?? '', taken[key]];
    if (text === '') return from === undefined ? [] : [`${label} ${from}`];
    return [`${label} ${text}${from === undefined ? '' : ` (${from})`}`];
  });
  return `${title} (${given.join(', ')}): ${lines
    .filter(({ tone }) => tone !== 'caution')
    .map(({ label, text }) => `${label} ${text}`)
    .join('; ')}`;
}
