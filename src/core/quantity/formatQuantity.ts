import { prefixes } from './prefixes';
import { type Unit } from './units';

const scaled: ReadonlySet<Unit> = new Set<Unit>(['Ω', 'F', 'H', 'Hz', 's', 'A', 'W']);

/** Rounds to `digits` significant figures and drops trailing zeros. */
function significant(value: number, digits: number): string {
  return String(Number(value.toPrecision(digits)));
}

/**
 * Writes a value in engineering notation with its unit: `41.2 kΩ`, `-121.4 V`, `680 µF`, `OL`.
 *
 * Volts from one to a few kilovolts keep the base unit (`390 V`), as meters show them; small
 * ones become millivolts. Percentages and counts are never scaled.
 *
 * @param digits significant figures, 4 by default
 */
export function formatQuantity(value: number, unit: Unit, digits = 4): string {
  if (value === Infinity) return 'OL';
  if (!Number.isFinite(value)) return '?';
  const { number, prefix } = engineering(value, unit, digits);
  const suffix = `${prefix}${unit}`;
  return suffix === '' ? number : `${number} ${suffix}`;
}

/** The number and prefix of {@link formatQuantity} apart, for figures set in two sizes. */
export function engineering(value: number, unit: Unit, digits = 4): { number: string; prefix: string } {
  const rounded = Number(value.toPrecision(digits));
  const size = Math.abs(rounded);
  const keepsBase = size === 0 || (unit === 'V' ? size >= 0.1 && size < 2000 : !scaled.has(unit));
  if (keepsBase) return { number: significant(value, digits), prefix: '' };
  // Ohms below one stay ohms: "0.22 Ω" is what the bench says, not "220 mΩ".
  // Farads are never milli: on old parts mF meant microfarad.
  const usable = prefixes.filter(({ factor }) => (unit === 'Ω' ? factor >= 1 : unit !== 'F' || factor < 1e-3));
  const chosen = usable.find(({ factor }) => size >= factor * (1 - 1e-12)) ?? usable[usable.length - 1]!;
  return { number: significant(rounded / chosen.factor, digits), prefix: chosen.letter };
}

/**
 * Writes a value the way parts are marked: `4k7`, `0R22`, `680u`, `2M2`, `33k`.
 *
 * @param unit ohms use `R` for the plain decimal point; others use the prefix letter
 */
export function formatCode(value: number, unit: 'Ω' | 'F' | 'H', digits = 3): string {
  if (value === Infinity) return 'OL';
  const { number, prefix } = engineering(value, unit, digits);
  const letter = prefix === 'µ' ? 'u' : prefix === '' ? (unit === 'Ω' ? 'R' : unit) : prefix;
  const [whole = '0', decimals] = number.split('.');
  if (number.includes('e')) return number;
  return decimals === undefined ? `${whole}${letter}` : `${whole}${letter}${decimals}`;
}
