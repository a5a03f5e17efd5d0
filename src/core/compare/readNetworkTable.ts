import { parseQuantity, QuantityError } from '../quantity';
import { type Network } from './networks';

/** A pasted table that cannot be read, with the line and the column. */
export class TableError extends Error {
  override readonly name = 'TableError';
}

const mostRows = 200;
const mostCells = 400;
const gap = /^(|-|–|—|\.|n\/?a)$/i;

/**
 * Reads a table as it comes from a spreadsheet: a row a line, cells apart by tabs, semicolons or
 * spaces, gaps empty or `-`. A first cell that is no value names its row; a first line without any
 * value names the cells.
 *
 * @throws TableError
 */
export function readNetworkTable(text: string): Network {
  const lines = text.split(/\r?\n/).flatMap((line, index) => (line.trim() === '' ? [] : [{ line, number: index + 1 }]));
  if (lines.length === 0) throw new TableError('paste a table: a row for each place, a column for each repetition');
  if (lines.length > mostRows) throw new TableError(`${lines.length} rows; there may be ${mostRows}`);
  const split = ({ line }: { line: string }) => {
    if (line.includes('\t')) return line.split('\t').map((cell) => cell.trim());
    return line.includes(';') ? line.split(';').map((cell) => cell.trim()) : line.trim().split(/\s+/);
  };
  const isValue = (cell: string) => valueOf(cell) !== undefined;
  const [head, ...others] = lines;
  const heading = split(head!);
  const headed = others.length > 0 && heading.every((cell) => !isValue(cell));
  const body = headed ? others : lines;
  const named = body.every((row) => !isValue(split(row)[0]!) && !gap.test(split(row)[0]!));
  const rows = body.map((row) => split(row));
  const width = Math.max(...rows.map((row) => row.length - (named ? 1 : 0)));
  if (width > mostCells) throw new TableError(`${width} columns; there may be ${mostCells}`);
  if (width < 1) throw new TableError('there is no value: write ohms like 4k7, gaps like -');
  return {
    rows: rows.map((row, index) => (named ? row[0]! : `row ${index + 1}`)),
    cells: Array.from({ length: width }, (_, cell) => {
      const title = headed ? heading[heading.length - width + cell] : undefined;
      return title === undefined || title === '' ? String(cell + 1) : title;
    }),
    values: rows.map((row, index) =>
      Array.from({ length: width }, (_, cell) => {
        const written = row[cell + (named ? 1 : 0)] ?? '';
        if (gap.test(written)) return undefined;
        const value = valueOf(written);
        if (value === undefined)
          throw new TableError(
            `line ${body[index]!.number}, column ${cell + 1}: "${written}" is no value; write ohms like 4k7, OL, or - for a gap`,
          );
        return value;
      }),
    ),
  };
}

function valueOf(text: string): number | undefined {
  if (gap.test(text)) return undefined;
  try {
    return parseQuantity(text).value;
  } catch (error) {
    if (error instanceof QuantityError) return undefined;
    throw error;
  }
}
