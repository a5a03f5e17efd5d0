import Papa from 'papaparse';
import { Refusal } from '../quantity';
import { mostPieces } from './countedPart';
import { readTable, type TableColumns } from './csvTable';
import { supplyKinds } from './part/kinds';
import { readPart, type SupplyPart, writePart } from './part/readPart';

/** A line of a stock list: a part, how many, where it lies and where it came from. */
export interface StockLine {
  readonly part: SupplyPart;
  readonly count: number;
  readonly drawer: string;
  readonly origin: string;
}

/** Headings under which a column is known, whatever their case. */
const headings = {
  part: ['part', 'description', 'item', 'article', 'what'],
  count: ['count', 'qty', 'quantity', 'number', 'pieces', 'stock'],
  drawer: ['drawer', 'place', 'bin', 'location', 'where'],
  origin: ['origin', 'from', 'source', 'supplier'],
} as const;

/**
 * Reads a stock list: CSV with a heading, with commas or semicolons. A part stands in one column as it is typed, or its
 * kind stands there and its figures in columns of their own names (`volts`, `farads`, `watts`).
 *
 * @param before lines of the file that stand between the heading and what is read here
 * @throws Refusal that names each line that is wrong, the first dozen of them
 */
export function readStockCsv(text: string, before = 0): StockLine[] {
  const example = 'a stock list has a heading and a line for each part: part,count,drawer,from';
  const lineOf = (cell: (at: number) => string, { at, named }: TableColumns<keyof typeof headings>): StockLine => {
    const besides = figuresIn(named, Object.values(at)).map(cell).filter(Boolean);
    const part = readPart([cell(at.part), ...besides].join(' '));
    const written = cell(at.count);
    const count = written === '' ? 1 : Number(written);
    if (!Number.isInteger(count) || count < 0 || count > mostPieces)
      throw new Refusal(`"${written}" is no number of pieces: a whole one, from 0 to ${mostPieces}`);
    return { part, count, drawer: cell(at.drawer).slice(0, 40), origin: cell(at.origin).slice(0, 60) || 'new' };
  };
  return readTable(text, headings, 'part', example, lineOf, before);
}

/** The columns of a stock list in the order in which one would name them; only the first has to be there. */
export const stockColumns = Object.keys(headings) as (keyof typeof headings)[];

/** Is there a column that says what each part is? */
export const namesParts = (found: readonly string[]): boolean =>
  found.some((heading) => (headings.part as readonly string[]).includes(heading.toLowerCase()));

const figureNames = new Set(
  Object.values(supplyKinds).flatMap(({ figures }) => Object.keys(figures).map((name) => name.toLowerCase())),
);

/** Columns that hold a single figure each, of those that hold nothing else. */
const figuresIn = (named: readonly string[], others: readonly number[]): number[] =>
  named.flatMap((heading, index) => (figureNames.has(heading) && !others.includes(index) ? [index] : []));

/** A stock list that `readStockCsv` reads back. */
export const writeStockCsv = (lines: readonly StockLine[]): string =>
  Papa.unparse({
    fields: ['part', 'count', 'drawer', 'from'],
    data: lines.map(({ part, count, drawer, origin }) => [writePart(part), count, drawer, origin]),
  });
