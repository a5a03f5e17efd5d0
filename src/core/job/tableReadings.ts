import { type Check } from '../behaviour';
import { type Compared, oddValues } from '../compare';
import { readEntry } from '../entry';
import { type KnownNames } from '../log';
import { type Answer } from '../measure';
import { attempt, Refusal } from '../quantity';
import { median } from '../statistics';

/** A reading of a point of the sheet that a compared table comes to. */
export interface TableReading {
  readonly check: Check;
  readonly answer: Answer;
  /** As it would be typed on the bench. */
  readonly line: string;
}

/** A column that is headed so is of the set on the bench, whatever stands beside it. */
const ownColumn = /^(?:this|own|set|suspect|bad|doubtful)\b/i;
/** Numbers without a unit that are all smaller are volts across junctions. */
const junctions = 10;

/**
 * What a compared table says of the points of a set’s own sheet: a row and a column of its siblings are a point; a
 * column headed by a part is its, by what is odd in it or by its middle where nothing is; a row called like a point
 * is read in the set’s own column, and so are the pins of a part that the table is called after.
 *
 * @param title what the table is called
 */
export function tableReadings(found: Compared, title: string, known: KnownNames): TableReading[] {
  const { rows, cells, values, unit } = found.network;
  const read = (name: string, value: number | undefined): TableReading[] => {
    if (value === undefined) return [];
    const line = `${name} ${value === Infinity ? 'OL' : String(value)}`;
    const entry = attempt(() => readEntry(line, known));
    if (entry instanceof Refusal || entry.kind !== 'reading' || entry.answer.kind !== 'number') return [];
    const { check, answer } = entry;
    return unit === '' || check.unit === unit ? [{ check, answer, line }] : [];
  };
  const partOf = (name: string) =>
    [...known.sheet.parts.keys()].find((id) => id.toLowerCase() === name.trim().toLowerCase());

  const siblings = rows.flatMap((row, r) =>
    cells.flatMap((cell, c) => read(siblingAt(known, row, cell) ?? '', values[r]![c])),
  );
  if (siblings.length > 0) return siblings;

  const all = values.flat().filter((value) => value !== undefined && value !== Infinity) as number[];
  const measure = unit === 'V' || (unit === '' && all.every((value) => Math.abs(value) < junctions)) ? 'diode' : 'ohms';
  const odd = oddValues(found);
  const ofPart = (part: string, cell: number) => {
    const worst = odd.find((one) => one.cell === cell);
    const column = values.flatMap((row) => row[cell] ?? []);
    if (column.length === 0) return [];
    return read(`${part} ${measure}`, worst ? values[worst.row]![cell] : median(column));
  };
  const parts = cells.flatMap((cell, c) => {
    const part = partOf(cell);
    return part === undefined ? [] : ofPart(part, c);
  });
  if (parts.length > 0 || cells.length > 2) return parts;

  const own = cells.findIndex((cell) => ownColumn.test(cell));
  const column = own < 0 ? cells.length - 1 : own;
  const points = rows.flatMap((row, r) => read(row, values[r]![column]));
  if (points.length > 0) return points;
  const called = partOf(title.split(/[\s,:]+/)[0] ?? '');
  return called === undefined ? [] : ofPart(called, column);
}

/** The point at a row and a column of the siblings of a sheet, by their titles. */
function siblingAt({ sheet }: KnownNames, row: string, cell: string): string | undefined {
  const like = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase();
  for (const { columns, rows } of sheet.siblings) {
    const at = columns.findIndex((one) => like(one, cell));
    const point = rows.find(({ title }) => like(title, row))?.points[at];
    if (at >= 0 && point !== undefined) return point;
  }
  return undefined;
}
