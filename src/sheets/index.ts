import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { readSheet, type Sheet } from '@/core/sheet';

/** Where the shipped sheets lie; the server and the command line both start in the project folder. */
const folder = path.join(process.cwd(), 'src', 'sheets');

let shipped: ReadonlyMap<string, Sheet> | undefined;

/** All shipped chassis sheets by id, read once. */
export function shippedSheets(): ReadonlyMap<string, Sheet> {
  shipped ??= new Map(
    readdirSync(folder)
      .filter((file) => file.endsWith('.yaml'))
      .sort()
      .map((file) => readSheet(readFileSync(path.join(folder, file), 'utf8')))
      .map((sheet) => [sheet.id, sheet]),
  );
  return shipped;
}
