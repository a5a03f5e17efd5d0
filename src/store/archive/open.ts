import { createHash } from 'node:crypto';
import { type Readable } from 'node:stream';
import { type Entry, openPromise, type ZipFile } from 'yauzl';
import { Refusal } from '@/core/quantity';
import { type Manifest, manifestName, readManifest, rowsName } from './manifest';
import { type ArchivedRow, type ArchivedTable } from './tables';

/** No row, sheet or picture is longer. */
const longestFile = 32 * 1024 * 1024;

/** A shop’s archive, open for reading. */
export interface Archive {
  readonly manifest: Manifest;
  /** The rows of a table, each with the line it stands in. */
  rows(table: ArchivedTable): AsyncGenerator<{ readonly line: number; readonly row: ArchivedRow }>;
  /** A file beside the rows. @throws Refusal where there is none, or it is not as it was written */
  file(name: string): Promise<Buffer>;
  close(): void;
}

/**
 * Opens a shop’s archive.
 *
 * @throws Refusal where the file is none, or was cut short
 */
export async function openArchive(path: string): Promise<Archive> {
  const zip = await openPromise(path, { autoClose: false, lazyEntries: true }).catch((error: Error) => {
    throw new Refusal(`not an archive that can be read: ${error.message}`);
  });
  try {
    const entries = new Map<string, Entry>();
    for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
    const stated = entries.get(manifestName);
    if (!stated) throw new Refusal(`no shop’s archive: it holds no ${manifestName}`);
    const manifest = readManifest((await contentsOf(zip, stated, longestFile)).toString('utf8'));
    const sums = new Map(manifest.files.map((file) => [file.name, file]));
    for (const { name, bytes } of manifest.files)
      if (entries.get(name)?.uncompressedSize !== bytes) throw new Refusal(`${name} is missing or was changed`);
    return {
      manifest,
      rows: (table) => rowsIn(zip, entries.get(rowsName(table.name)), sums),
      async file(name) {
        const entry = entries.get(name);
        if (!entry) throw new Refusal(`${name} is missing`);
        const contents = await contentsOf(zip, entry, longestFile);
        requireSum(name, createHash('sha256').update(contents).digest('hex'), sums);
        return contents;
      },
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

type Sums = ReadonlyMap<string, { readonly sha256: string }>;

function requireSum(name: string, sum: string, sums: Sums): void {
  if (sums.get(name)?.sha256 !== sum) throw new Refusal(`${name} is not as it was written: its sum does not agree`);
}

const streamOf = async (zip: ZipFile, entry: Entry): Promise<Readable> =>
  zip.openReadStreamPromise(entry).catch((error: Error) => {
    throw new Refusal(`${entry.fileName} cannot be read: ${error.message}`);
  });

async function contentsOf(zip: ZipFile, entry: Entry, most: number): Promise<Buffer> {
  if (entry.uncompressedSize > most)
    throw new Refusal(`${entry.fileName} is longer than ${most / 1048576} MB, which is more than Tovrik writes`);
  const chunks: Buffer[] = [];
  for await (const chunk of read(await streamOf(zip, entry), entry.fileName)) chunks.push(chunk);
  return Buffer.concat(chunks);
}

async function* read(stream: Readable, name: string): AsyncGenerator<Buffer> {
  try {
    yield* stream as AsyncIterable<Buffer>;
  } catch (error) {
    throw new Refusal(`${name} cannot be read: ${(error as Error).message}`);
  }
}

async function* rowsIn(zip: ZipFile, entry: Entry | undefined, sums: Sums) {
  if (!entry) return;
  const name = entry.fileName;
  const hash = createHash('sha256');
  let left = '';
  let line = 0;
  const decoder = new TextDecoder();
  const rowOf = (text: string) => {
    line += 1;
    return { line, row: rowFrom(text, `${name}, line ${line}`) };
  };
  for await (const chunk of read(await streamOf(zip, entry), name)) {
    hash.update(chunk);
    const lines = (left + decoder.decode(chunk, { stream: true })).split('\n');
    left = lines.pop()!;
    if (left.length > longestFile) throw new Refusal(`${name}, line ${line + 1}: longer than any row`);
    for (const text of lines) yield rowOf(text);
  }
  if (left !== '') yield rowOf(left);
  requireSum(name, hash.digest('hex'), sums);
}

function rowFrom(text: string, where: string): ArchivedRow {
  try {
    const row = JSON.parse(text) as unknown;
    if (typeof row === 'object' && row !== null && !Array.isArray(row)) return row as ArchivedRow;
  } catch {
    // Said below, as for all that is no row.
  }
  throw new Refusal(`${where}: not a row; each line is one object of JSON`);
}
