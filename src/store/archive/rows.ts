import { type Knex } from 'knex';
import { type ArchivedRow, type ArchivedTable } from './tables';

/** So many rows are held at a time. */
const rowsAtATime = 1000;

/** What of the shop goes into an archive: all of it, or one set with its record and sheets. */
export type Extent = { readonly all: true } | { readonly job: string; readonly sheets: readonly string[] };

/** Whether a table has anything to say of so much of the shop. */
export const holds = (table: ArchivedTable, extent: Extent): boolean =>
  'all' in extent || table.job !== undefined || table.name === 'sheet_version';

/** The rows of a table without its files, in the order in which they came to be. */
export async function* rowsOf(database: Knex, table: ArchivedTable, extent: Extent): AsyncGenerator<ArchivedRow> {
  const columns = Object.keys(await database(table.name).columnInfo()).filter((one) => one !== table.file?.column);
  let last = -1;
  for (;;) {
    const query = database(table.name)
      .select(...columns, database.raw('rowid as rowid_'))
      .where('rowid', '>', last)
      .orderBy('rowid')
      .limit(rowsAtATime);
    if (!('all' in extent)) {
      if (table.name === 'sheet_version') void query.whereIn('id', [...extent.sheets]);
      else void query.where(table.job!, extent.job);
    }
    const rows = (await query) as (ArchivedRow & { rowid_: number })[];
    for (const { rowid_, ...row } of rows) {
      last = rowid_;
      yield row;
    }
    if (rows.length < rowsAtATime) return;
  }
}

/** What finds one row among all. */
export const keyOf = (table: ArchivedTable, row: ArchivedRow): ArchivedRow =>
  Object.fromEntries(table.key.map((column) => [column, row[column]]));

/** A row as it stands in the archive: JSON as such, without what is numbered or worked out here. */
export function written(table: ArchivedTable, row: ArchivedRow): ArchivedRow {
  const left = new Set([table.counted, table.file?.column, ...Object.keys(table.derived ?? {})]);
  return Object.fromEntries(
    Object.entries(row)
      .filter(([column]) => !left.has(column))
      .map(([column, value]) => [
        column,
        table.json?.includes(column) && typeof value === 'string' ? (JSON.parse(value) as unknown) : value,
      ]),
  );
}

/** A row of the archive as the database takes it, without its file. */
export const unwritten = (table: ArchivedTable, row: ArchivedRow): ArchivedRow => ({
  ...Object.fromEntries(
    Object.entries(row).map(([column, value]) => [
      column,
      table.json?.includes(column) && value !== null ? JSON.stringify(value) : value,
    ]),
  ),
  ...table.derived,
});
