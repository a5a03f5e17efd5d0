import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** A stage that ships: its netlist and the title on its first line. */
export interface ShippedStage {
  readonly id: string;
  readonly title: string;
  readonly text: string;
}

const folder = path.join(process.cwd(), 'src', 'sheets', 'stages');

export function shippedStages(): ShippedStage[] {
  return readdirSync(folder)
    .filter((file) => file.endsWith('.cir'))
    .map((file) => {
      const text = readFileSync(path.join(folder, file), 'utf8');
      return { id: file.replace('.cir', ''), title: text.split('\n')[0]!.replace(/^\*\s*/, ''), text };
    });
}
