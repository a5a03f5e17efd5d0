import { formatCode, formatQuantity, type Unit } from '../quantity';
import { type Compared } from './compared';

/** Below this it is a short, in ohms. */
const nothing = 0.005;

/** A value of a table: ohms as they are written on parts, `4k7`; others with their unit. */
export function cellText(value: number, unit: Unit): string {
  if (value === Infinity) return 'OL';
  if (unit !== 'Ω') return formatQuantity(value, unit, 3);
  return Math.abs(value) < nothing ? '0' : formatCode(value, 'Ω');
}

/** What leaves its pattern in a few words, the furthest away first: `pin 7 shorted on the lower side (12R against 2M), and 1 more`; undefined where nothing does. */
export function oddText(found: Compared): string | undefined {
  const { rows, cells, values, unit } = found.network;
  const said =
    found.kind === 'pins'
      ? found.pins.odd.map(
          ({ row, side, kind }) =>
            `${rows[row]} ${kind} on the ${cells[side]} side (${cellText(values[row]![side]!, unit)} against ${cellText(values[row]![1 - side]!, unit)})`,
        )
      : found.comparison.odd.map(
          ({ row, cell, value, usual }) =>
            `${rows[row]}, ${cells[cell]} ${cellText(value, unit)} (its row ${cellText(usual, unit)})`,
        );
  const [first, ...more] = said;
  return first === undefined ? undefined : `${first}${more.length > 0 ? `, and ${more.length} more` : ''}`;
}
