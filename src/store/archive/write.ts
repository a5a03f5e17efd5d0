import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { type Knex } from 'knex';
import Papa from 'papaparse';
import { ZipFile } from 'yazl';
import { archiveFormat, type Manifest, manifestName, rowsName } from './manifest';
import { type Extent, holds, keyOf, rowsOf, written } from './rows';
import { type ArchivedRow, archivedTables, type ArchivedTable, fileName } from './tables';

/** What was written. */
export type Archived = Pick<Manifest, 'rows' | 'made'> & { readonly pictures: number };

/** Tables that are also written as CSV for a spreadsheet; an import passes these by. */
const forSpreadsheets: Readonly<Record<string, string>> = {
  fault_note: `select job.title as "set", note.chassis, note.symptom, note.cause, note.proof, note.cure, note.parts, note.money, note.minutes, note.outcome, note.closed_at as closed from fault_note note join job on job.id = note.job order by note.number`,
  stock_part: `select typed as part, count, drawer, origin from stock_part where count > 0 order by typed`,
};

/**
 * Writes the shop’s data, or what belongs to one set, into one zip: rows as JSON lines, sheets as YAML, pictures, CSV
 * for spreadsheets, and last the manifest with the sum of every file. Nothing stands under the file’s name before all
 * of it is there.
 *
 * @param database open for nobody else while this runs, in a transaction where others write
 */
export async function writeArchive(database: Knex, file: string, extent: Extent, now: Date): Promise<Archived> {
  const zip = new ZipFile();
  const rows: Record<string, number> = {};
  const files: { name: string; bytes: number; sha256: string }[] = [];
  const [newest] = (await database('knex_migrations').orderBy('id', 'desc').limit(1)) as { name: string }[];
  const add = (name: string, source: () => AsyncIterable<Buffer | string>, compress = true) =>
    zip.addReadStreamLazy(name, { compress, mtime: now }, (taken) => taken(null, summed(name, source(), files)));
  const tables = archivedTables.filter((table) => holds(table, extent));
  let pictures = 0;
  for (const table of tables) {
    rows[table.name] = 0;
    add(rowsName(table.name), async function* () {
      for await (const row of rowsOf(database, table, extent)) {
        rows[table.name]! += 1;
        // A set that goes out alone leaves the one it was before behind.
        const alone = table.name === 'job' && !('all' in extent) ? { former: null } : {};
        yield `${JSON.stringify({ ...written(table, row), ...alone })}\n`;
      }
    });
    for (const { name, column, row } of await filesOf(database, table, extent)) {
      if (table.name === 'photo') pictures += 1;
      const contents = async function* () {
        const [one] = (await database(table.name).where(row).select(column)) as ArchivedRow[];
        yield one![column] as Buffer | string;
      };
      // A picture is as small as it will be.
      add(name, contents, table.name !== 'photo');
    }
    const select = 'all' in extent ? forSpreadsheets[table.name] : undefined;
    if (select !== undefined)
      add(`csv/${table.name}.csv`, async function* () {
        yield Papa.unparse((await database.raw(select)) as object[]);
      });
  }
  const made = now.toISOString();
  zip.addReadStreamLazy(manifestName, { mtime: now }, (taken) =>
    taken(
      null,
      Readable.from([JSON.stringify({ format: archiveFormat, made, release: newest!.name, rows, files }, null, 1)]),
    ),
  );
  zip.end();
  const growing = `${file}.part`;
  try {
    await Promise.race([
      pipeline(zip.outputStream, createWriteStream(growing)),
      new Promise((_, failed) => zip.on('error', failed)),
    ]);
    await rename(growing, file);
  } catch (error) {
    await rm(growing, { force: true });
    throw error;
  }
  return { rows, made, pictures };
}

/** A stream that writes its sum down when it ends. */
function summed(name: string, source: AsyncIterable<Buffer | string>, files: Manifest['files'][number][]): Readable {
  const hash = createHash('sha256');
  let bytes = 0;
  const sum = new Transform({
    transform(chunk: Buffer, _, done) {
      hash.update(chunk);
      bytes += chunk.length;
      done(null, chunk);
    },
    flush(done) {
      files.push({ name, bytes, sha256: hash.digest('hex') });
      done();
    },
  });
  const from = Readable.from(source);
  from.on('error', (error) => sum.destroy(error));
  return from.pipe(sum);
}

/** Where each row’s file stands in the archive, with what finds the row. */
async function filesOf(database: Knex, table: ArchivedTable, extent: Extent) {
  const { file } = table;
  if (!file) return [];
  const found: { name: string; column: string; row: ArchivedRow }[] = [];
  for await (const row of rowsOf(database, table, extent))
    found.push({ name: fileName(file, row), column: file.column, row: keyOf(table, row) });
  return found;
}
