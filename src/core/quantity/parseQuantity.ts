import { Refusal } from './refusal';
import { typedPrefixes } from './prefixes';
import { type Unit } from './units';

/** A value as read or typed. `value` is in the base unit; `OL` is `Infinity`. */
export interface Quantity {
  readonly value: number;
  /** Absent when none was written. */
  readonly unit?: Unit;
}

const spellings: Readonly<Record<string, Unit>> = {
  v: 'V',
  volt: 'V',
  volts: 'V',
  ω: 'Ω',
  ohm: 'Ω',
  ohms: 'Ω',
  a: 'A',
  amp: 'A',
  amps: 'A',
  f: 'F',
  h: 'H',
  hz: 'Hz',
  s: 's',
  sec: 's',
  w: 'W',
  '%': '%',
};

const overload = /^(OL|O\.L|open|inf)$/i;
const plain = /^([+-]?)(\d+(?:[.,]\d+)?|[.,]\d+)(?:[eE]([+-]?\d+))?\s*(.*)$/;
const infix = /^([+-]?)(\d+)([GMkKRFHVmuµμnp])(\d+)\s*(.*)$/;
/** Letters that stand for the decimal point of their unit. */
const pointUnits: Readonly<Record<string, Unit>> = { R: 'Ω', F: 'F', H: 'H', V: 'V' };
const thousands = /^[+-]?[1-9]\d{0,2},\d{3}$/;

/** The unit a word spells, if any. */
const unitOf = (word: string): Unit | undefined =>
  Object.hasOwn(spellings, word.toLowerCase()) ? spellings[word.toLowerCase()] : undefined;

/** The prefix factor and unit of what follows the digits; undefined when it is neither. */
function readSuffix(suffix: string): { factor: number; unit?: Unit } | undefined {
  if (suffix === '') return { factor: 1 };
  const whole = unitOf(suffix);
  if (whole !== undefined) return { factor: 1, unit: whole };
  const [first = ''] = suffix;
  const factor = typedPrefixes[first];
  if (factor === undefined) return undefined;
  const rest = suffix.slice(first.length).trim();
  if (first === 'R') return rest === '' || unitOf(rest) === 'Ω' ? { factor, unit: 'Ω' } : undefined;
  if (rest === '') return { factor };
  const unit = unitOf(rest);
  return unit === undefined || unit === '%' ? undefined : { factor, unit };
}

/**
 * Reads a quantity in engineering notation.
 *
 * Takes `4k7`, `0R22`, `6V2`, `680u`, `2.2M`, `-168`, `1.2 mV`, a decimal comma, and `OL` for a
 * reading beyond the range.
 *
 * @throws Refusal naming the text and a form that would be right
 */
export function parseQuantity(text: string): Quantity {
  const trimmed = text.trim();
  if (overload.test(trimmed)) return { value: Infinity };
  if (thousands.test(trimmed)) {
    const [whole = '', decimals = ''] = trimmed.split(',');
    throw new Refusal(
      `"${trimmed}" could be ${whole}.${decimals} or ${whole}${decimals}: write it with a point or without a comma`,
    );
  }
  const knee = infix.exec(trimmed);
  if (knee) {
    const [, sign, whole, letter = '', decimals, tail = ''] = knee;
    const written = tail === '' ? undefined : unitOf(tail);
    const unit = pointUnits[letter] ?? written;
    if (tail === '' || (written !== undefined && written === unit)) {
      // Written out in decimal so that 4k7 is exactly 4.7e3 and not 4000 + 700.0000001.
      const exponent = Math.round(Math.log10(typedPrefixes[letter] ?? 1));
      return withUnit(Number(`${sign}${whole}.${decimals}e${exponent}`), unit);
    }
  }
  const match = plain.exec(trimmed);
  const suffix = match ? readSuffix((match[4] ?? '').trim()) : undefined;
  if (!match || !suffix) {
    throw new Refusal(`"${trimmed}" is not a value: write it like 186.2, -168, 4k7, 0R22, 680u, 1.2 mV or OL`);
  }
  const [, sign, digits = '', exponent = '0'] = match;
  const power = Number(exponent) + Math.round(Math.log10(suffix.factor));
  const value = Number(`${sign}${digits.replace(',', '.')}e${power}`);
  if (!Number.isFinite(value)) throw new Refusal(`"${trimmed}" is too large to be a reading`);
  return withUnit(value, suffix.unit);
}

/**
 * Reads a quantity that is in one unit, written or not, and gives its value.
 *
 * @param right what would be right, where another unit is written
 * @throws Refusal
 */
export function quantityIn(unit: Unit, text: string, right: string): number {
  const quantity = parseQuantity(text);
  if (quantity.unit !== undefined && quantity.unit !== unit) throw new Refusal(right);
  return quantity.value;
}

function withUnit(value: number, unit: Unit | undefined): Quantity {
  return unit === undefined ? { value } : { value, unit };
}
