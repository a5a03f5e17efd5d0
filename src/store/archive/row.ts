import { parseBatch } from '@/core/log';
import { Refusal } from '@/core/quantity';
import { type ArchivedRow, type ArchivedTable } from './tables';

/** The columns of a table, as the database tells them. */
export type Columns = Readonly<Record<string, { readonly type: string; readonly nullable: boolean }>>;

const isObject = (value: unknown) => typeof value === 'object' && value !== null;

/** Columns of JSON that are a list, a plain value, or nothing; all others hold an object. */
const free = new Set(['setting.value', 'supplier_item.breaks']);

/**
 * Holds a row of an archive against the table it goes into.
 *
 * @throws Refusal that says where and what would be right
 */
export function requireRow(table: ArchivedTable, row: ArchivedRow, columns: Columns, where: string): void {
  for (const [column, value] of Object.entries(row)) {
    const there = columns[column];
    if (!there || column === table.counted || column === table.file?.column)
      throw new Refusal(`${where}: ${table.name} has no column "${column}"`);
    const wanted = wantedOf(table, column, there.type);
    if (value === null ? !there.nullable : !wanted.holds(value))
      throw new Refusal(`${where}: ${column} should be ${wanted.words}`);
  }
  const missing = table.key.find((column) => row[column] === undefined);
  if (missing !== undefined) throw new Refusal(`${where}: ${missing} is missing`);
}

function wantedOf(table: ArchivedTable, column: string, type: string) {
  if (table.json?.includes(column))
    return free.has(`${table.name}.${column}`)
      ? { words: 'a value', holds: () => true }
      : { words: 'an object', holds: isObject };
  if (type === 'text') return { words: 'text', holds: (value: unknown) => typeof value === 'string' };
  return { words: 'a number', holds: (value: unknown) => Number.isFinite(value) };
}

/** @throws Refusal for the first line of a record that is none */
export function requireLines(some: readonly { readonly line: number; readonly row: ArchivedRow }[]): void {
  for (const { line, row } of some)
    try {
      const { id, at, supersedes, body } = row;
      parseBatch({
        seen: 0,
        entries: [
          { id, at, body: JSON.parse(String(body)) as unknown, ...(supersedes === null ? {} : { supersedes }) },
        ],
      });
    } catch (error) {
      throw new Refusal(`tables/log_entry.jsonl, line ${line}: ${(error as Error).message}`);
    }
}
