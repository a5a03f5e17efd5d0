import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { readSheet, type Sheet } from '@/core/sheet';
import { keptTrees } from './keptTrees';
import { netlistOf } from './stages';

export { keptTrees };

/** Where the shipped sheets lie; the server and the command line both start in the project folder. */
const folder = path.join(process.cwd(), 'src', 'sheets');

let texts: ReadonlyMap<string, string> | undefined;

function sheetsIn(place: string): [string, string][] {
  return readdirSync(place)
    .filter((file) => file.endsWith('.yaml'))
    .sort()
    .map((file) => [path.basename(file, '.yaml'), readFileSync(path.join(place, file), 'utf8')]);
}

/** What several sheets are laid upon; no sheet by itself. */
const common = path.join(folder, 'common');

/** The texts of all shipped sheets, and of what they are laid upon, by id; each lies in the file of its id. */
export function shippedTexts(): ReadonlyMap<string, string> {
  texts ??= new Map([...sheetsIn(folder), ...sheetsIn(common)]);
  return texts;
}

let shipped: ReadonlyMap<string, Sheet> | undefined;

/** All shipped chassis sheets by id with the first choice of every option, read once. */
export function shippedSheets(): ReadonlyMap<string, Sheet> {
  shipped ??= new Map(
    sheetsIn(folder).map(([id, text]) => [
      id,
      readSheet(text, { textOf: (parent) => shippedTexts().get(parent), netlistOf, keptTrees }),
    ]),
  );
  return shipped;
}
