import Papa from 'papaparse';
import { attempt, Refusal } from '../quantity';
import { mostPieces } from './countedPart';
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
type Column = keyof typeof headings;

/** So many complaints are told at once. */
const mostComplaints = 12;

/**
 * Reads a stock list: CSV with a heading, with commas or semicolons. A part stands in one column as it is typed, or its
 * kind stands there and its figures in columns of their own names (`volts`, `farads`, `watts`).
 *
 * @throws Refusal that names each line that is wrong, the first dozen of them
 */
export function readStockCsv(text: string): StockLine[] {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [first, ...rest] = data;
  if (!first || rest.length === 0)
    throw new Refusal('line 1: a stock list has a heading and a line for each part: part,count,drawer,from');
  const broken = errors.find(({ type }) => type === 'Quotes');
  if (broken) throw new Refusal(`line ${(broken.row ?? 0) + 1}: ${broken.message}`);
  const columns = columnsOf(first);
  const complaints: string[] = [];
  const lines: StockLine[] = [];
  rest.forEach((cells, at) => {
    const line = attempt(() => lineOf(cells, columns));
    if (line instanceof Refusal) complaints.push(`line ${at + 2}: ${shorter(line.message)}`);
    else lines.push(line);
  });
  if (complaints.length > 0) {
    const more = complaints.length - mostComplaints;
    throw new Refusal(
      [...complaints.slice(0, mostComplaints), ...(more > 0 ? [`and ${more} more lines`] : [])].join('\n'),
    );
  }
  return lines;
}

/** A complaint without the list of all that would be right. */
const shorter = (message: string) => message.split(/: (?:write one like|begin with)/)[0]!;

interface Columns {
  readonly at: Readonly<Record<Column, number>>;
  /** Columns of single figures, by their name. */
  readonly figures: readonly (readonly [name: string, at: number])[];
}

const figureNames = new Set(Object.values(supplyKinds).flatMap(({ figures }) => Object.keys(figures)));

function columnsOf(first: readonly string[]): Columns {
  const named = first.map((heading) => heading.trim().toLowerCase());
  const find = (column: Column) =>
    named.findIndex((heading) => (headings[column] as readonly string[]).includes(heading));
  const at = { part: find('part'), count: find('count'), drawer: find('drawer'), origin: find('origin') };
  if (at.part < 0)
    throw new Refusal(
      `line 1: no column is called ${headings.part.join(', ')}; there are ${first.map((heading) => `"${heading}"`).join(', ')}`,
    );
  const figures = named.flatMap((heading, index) => {
    const name = [...figureNames].find((one) => one.toLowerCase() === heading);
    return name === undefined || Object.values(at).includes(index) ? [] : [[name, index] as const];
  });
  return { at, figures };
}

function lineOf(cells: readonly string[], { at, figures }: Columns): StockLine {
  const cell = (index: number) => (index < 0 ? '' : (cells[index] ?? '').trim());
  const besides = figures.map(([, index]) => cell(index)).filter(Boolean);
  const part = readPart([cell(at.part), ...besides].join(' '));
  const written = cell(at.count);
  const count = written === '' ? 1 : Number(written);
  if (!Number.isInteger(count) || count < 0 || count > mostPieces)
    throw new Refusal(`"${written}" is no number of pieces: a whole one, from 0 to ${mostPieces}`);
  return { part, count, drawer: cell(at.drawer).slice(0, 40), origin: cell(at.origin).slice(0, 60) || 'new' };
}

/** A stock list that `readStockCsv` reads back. */
export const writeStockCsv = (lines: readonly StockLine[]): string =>
  Papa.unparse({
    fields: ['part', 'count', 'drawer', 'from'],
    data: lines.map(({ part, count, drawer, origin }) => [writePart(part), count, drawer, origin]),
  });
