import { Refusal, parseQuantity, type Quantity, type Unit, attempt } from '../quantity';
import { type Network } from './networks';

/** A network as it was written down. */
export interface NetworkTable extends Network {
  /** Unit of the values; empty where nothing tells it. */
  readonly unit: Unit;
  /** Per row: what is named between it and the next, one for each cell or one for all. */
  readonly between: readonly (readonly string[])[];
}

const mostRows = 200;
const mostCells = 400;
const brackets = /\s*\(([^)]*)\)\s*$/;
const partCode = /^\d+(?:[kMR]\d*|\.\d+[kMR])$/;
/** Heads of a column that says which place a row is, and no reading. */
const placeHead = /^(|#|pins?|rows?|places?|points?|no\.?|nr\.?)$/i;
const gap = /^(|-|–|—|\.|n\/?a)$/i;

/**
 * Reads a table as it comes from a spreadsheet: a row a line, cells apart by tabs, semicolons,
 * commas or spaces, gaps empty or `-`. A first cell that is no value names its row, and so does a number under nothing or
 * under a word like `pin`; a first line without any
 * value names the cells. Names in brackets after that of a row stand between it and the next:
 * `collector (R101 R201 R301)`.
 *
 * @throws Refusal
 */
export function readNetworkTable(text: string): NetworkTable {
  const lines = text.split(/\r?\n/).flatMap((line, index) => (line.trim() === '' ? [] : [{ line, number: index + 1 }]));
  if (lines.length === 0) throw new Refusal('paste a table: a row for each place, a column for each repetition');
  if (lines.length > mostRows) throw new Refusal(`${lines.length} rows; there may be ${mostRows}`);
  const commas = apartByCommas(lines.map(({ line }) => line));
  const split = ({ line }: { line: string }) => {
    if (line.includes('\t')) return line.split('\t').map((cell) => cell.trim());
    const apart = line.includes(';') ? ';' : commas ? ',' : undefined;
    if (apart !== undefined) return line.split(apart).map((cell) => cell.trim().replace(/^"(.*)"$/, '$1'));
    // Blanks within brackets belong to the name.
    return line.trim().match(/[^\s(]*\s*\([^)]*\)|\S+/g) ?? [];
  };
  const isValue = (cell: string) => quantityOf(cell) !== undefined;
  const [head, ...others] = lines;
  const heading = split(head!);
  const headed = others.length > 0 && heading.every((cell) => !isValue(cell));
  const body = headed ? others : lines;
  const numbered = headed && placeHead.test(heading[0]!) && body.every((row) => split(row).length === heading.length);
  const named = numbered || body.every((row) => !isValue(split(row)[0]!) && !gap.test(split(row)[0]!));
  const rows = body.map((row) => split(row));
  const width = Math.max(...rows.map((row) => row.length - (named ? 1 : 0)));
  if (width > mostCells) throw new Refusal(`${width} columns; there may be ${mostCells}`);
  if (width < 1) throw new Refusal('there is no value: write ohms like 4k7, gaps like -');
  const titles = rows.map((row, index) => {
    if (!named) return `row ${index + 1}`;
    return numbered && isValue(row[0]!) ? `${heading[0]} ${row[0]}`.trim() : row[0]!;
  });
  return {
    rows: titles.map((title) => title.replace(brackets, '')),
    between: titles.map(
      (title) =>
        brackets
          .exec(title)?.[1]
          ?.split(/[\s,]+/)
          .filter(Boolean) ?? [],
    ),
    unit: unitOf(rows.flatMap((row) => row.slice(named ? 1 : 0))),
    cells: Array.from({ length: width }, (_, cell) => {
      const title = headed ? heading[heading.length - width + cell] : undefined;
      return title === undefined || title === '' ? String(cell + 1) : title;
    }),
    values: rows.map((row, index) =>
      Array.from({ length: width }, (_, cell) => {
        const written = row[cell + (named ? 1 : 0)] ?? '';
        if (gap.test(written)) return undefined;
        const value = quantityOf(written)?.value;
        if (value === undefined)
          throw new Refusal(
            `line ${body[index]!.number}, column ${cell + 1}: "${written}" is no value; write ohms like 4k7, OL, or - for a gap`,
          );
        return value;
      }),
    ),
  };
}

/** Commas part cells where each line has as many, and none of them is within numbers that blanks part. */
function apartByCommas(lines: readonly string[]): boolean {
  const pieces = lines.map((line) => line.split(','));
  return (
    pieces[0]!.length > 1 &&
    pieces.every((line) => line.length === pieces[0]!.length) &&
    pieces.flat().every((piece) => !/^\s*[-+\d]\S*\s+[-+\d]/.test(piece))
  );
}

/** The first unit that is written; a value written like those on parts is in ohms. */
function unitOf(cells: readonly string[]): Unit {
  const written = cells.flatMap((cell) => quantityOf(cell)?.unit ?? []);
  return written[0] ?? (cells.some((cell) => partCode.test(cell)) ? 'Ω' : '');
}

function quantityOf(text: string): Quantity | undefined {
  if (gap.test(text)) return undefined;
  const read = attempt(() => parseQuantity(text));
  return read instanceof Refusal ? undefined : read;
}
