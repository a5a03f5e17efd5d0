import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** A stage that ships: its netlist and the title on its first line. */
export interface ShippedStage {
  readonly id: string;
  readonly title: string;
  readonly text: string;
}

const folder = path.join(process.cwd(), 'src', 'sheets', 'stages');

let texts: ReadonlyMap<string, string> | undefined;

/** The text of a stage that ships; undefined where there is none of the name. */
export function netlistOf(name: string): string | undefined {
  texts ??= new Map(shippedStages().map(({ id, text }) => [id, text]));
  return texts.get(name);
}

export function shippedStages(): ShippedStage[] {
  return readdirSync(folder)
    .filter((file) => file.endsWith('.cir'))
    .map((file) => {
      const text = readFileSync(path.join(folder, file), 'utf8');
      return { id: file.replace('.cir', ''), title: text.split('\n')[0]!.replace(/^\*\s*/, ''), text };
    });
}
