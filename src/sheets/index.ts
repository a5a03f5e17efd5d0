import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { readSheet, type Sheet } from '@/core/sheet';

/** Where the shipped sheets lie; the server and the command line both start in the project folder. */
const folder = path.join(process.cwd(), 'src', 'sheets');

let texts: ReadonlyMap<string, string> | undefined;

/** The texts of all shipped sheets by id; a sheet lies in the file of its id. */
export function shippedTexts(): ReadonlyMap<string, string> {
  texts ??= new Map(
    readdirSync(folder)
      .filter((file) => file.endsWith('.yaml'))
      .sort()
      .map((file) => [path.basename(file, '.yaml'), readFileSync(path.join(folder, file), 'utf8')]),
  );
  return texts;
}

let shipped: ReadonlyMap<string, Sheet> | undefined;

/** All shipped chassis sheets by id with the first choice of every option, read once. */
export function shippedSheets(): ReadonlyMap<string, Sheet> {
  shipped ??= new Map(
    [...shippedTexts()].map(([id, text]) => [id, readSheet(text, { textOf: (parent) => shippedTexts().get(parent) })]),
  );
  return shipped;
}
