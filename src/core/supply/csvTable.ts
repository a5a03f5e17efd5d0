import Papa from 'papaparse';
import { attempt, Refusal } from '../quantity';

/** Names under which a column is known, by column; the names are compared whatever their case. */
export type Headings<Column extends string> = Readonly<Record<Column, readonly string[]>>;

/** A heading, read: where each column is, −1 for none, and all headings in lower case. */
export interface TableColumns<Column extends string> {
  readonly at: Readonly<Record<Column, number>>;
  readonly named: readonly string[];
}

/** So many complaints are told at once. */
const mostComplaints = 12;

/**
 * Reads a table in CSV with a heading, with commas or semicolons.
 *
 * @param needs the column without which nothing can be read
 * @param lineOf reads a line; what it refuses is told by its line
 * @param before lines of the file that stand between the heading and what is read here
 * @throws Refusal that names each line that is wrong, the first dozen of them
 */
export function readTable<Column extends string, Line>(
  text: string,
  headings: Headings<Column>,
  needs: NoInfer<Column>,
  example: string,
  lineOf: (cell: (at: number) => string, columns: TableColumns<Column>) => Line,
  before = 0,
): Line[] {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [first, ...rest] = data;
  if (!first || rest.length === 0) throw new Refusal(`line 1: ${example}`);
  const broken = errors.find(({ type }) => type === 'Quotes');
  if (broken) throw new Refusal(`line ${(broken.row ?? 0) + 1}: ${broken.message}`);
  const named = first.map((heading) => heading.trim().toLowerCase());
  const at = Object.fromEntries(
    (Object.entries(headings) as [Column, readonly string[]][]).map(([column, known]) => [
      column,
      named.findIndex((heading) => known.includes(heading)),
    ]),
  ) as Record<Column, number>;
  if (at[needs] < 0)
    throw new Refusal(
      `line 1: no column is called ${headings[needs].join(', ')}; there are ${first.map((heading) => `"${heading}"`).join(', ')}`,
    );
  const columns = { at, named };
  const complaints: string[] = [];
  const lines: Line[] = [];
  rest.forEach((cells, row) => {
    const line = attempt(() => lineOf((index) => (index < 0 ? '' : (cells[index] ?? '').trim()), columns));
    if (line instanceof Refusal) complaints.push(`line ${row + 2 + before}: ${shorter(line.message)}`);
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

/** The headings of a table as they stand in its first line. */
export function headingsOf(text: string): string[] {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').slice(0, 20_000), { preview: 1 });
  return (data[0] ?? []).map((heading) => heading.trim());
}

/** A table under other headings: each column that is named has its new name, the others none. */
export function withHeadings(text: string, names: ReadonlyMap<number, string>): string {
  const [first = ''] = text.split('\n', 1);
  const { meta } = Papa.parse<string[]>(first, { preview: 1 });
  const heading = headingsOf(text).map((_, index) => names.get(index) ?? `column ${index + 1}`);
  return `${Papa.unparse([heading], { delimiter: meta.delimiter })}\n${text.slice(first.length + 1)}`;
}
