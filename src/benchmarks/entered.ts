import { entryLeads } from '@/core/practice';
import { isAnyMake, readSheet } from '@/core/sheet';
import { shippedSheets, shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';

/** Sheets by their id; all any-make sheets where none is named. */
const named = process.argv.slice(2);
const read = (text: string) => readSheet(text, { textOf: (id) => shippedTexts().get(id), netlistOf });

console.log('\nA part that no sheet lists, entered at the bench by its net, read bad: does it lead?');
let [all, leads] = [0, 0];
for (const sheet of shippedSheets().values()) {
  if (!isAnyMake(sheet.id) || (named.length > 0 && !named.includes(sheet.id))) continue;
  const trials = [...sheet.faults.values()].flatMap((fault) => entryLeads(sheet, fault, read) ?? []);
  const led = trials.filter(Boolean).length;
  [all, leads] = [all + trials.length, leads + led];
  console.log(`    ${sheet.title.padEnd(24)} ${String(led).padStart(5)} of ${trials.length}`);
}
console.log(`    ${'all'.padEnd(24)} ${String(leads).padStart(5)} of ${all}`);
