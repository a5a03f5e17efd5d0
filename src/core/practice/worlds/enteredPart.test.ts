import { describe, expect, it } from 'vitest';
import { shippedSheets, shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';
import { readSheet } from '../../sheet';
import { entryLeads } from './enteredPart';

const read = (text: string) => readSheet(text, { textOf: (id) => shippedTexts().get(id), netlistOf });

describe('a part that no sheet lists, entered at the bench by its net and measured bad', () => {
  it.each(['generic-crt-colour', 'generic-plasma'])('leads the suspects of %s nine times in ten', (id) => {
    const sheet = shippedSheets().get(id)!;
    const some = [...sheet.faults.values()].filter((_, at) => at % 4 === 0);
    const trials = some.flatMap((fault) => entryLeads(sheet, fault, read) ?? []);
    expect(trials.length).toBeGreaterThan(8);
    expect(trials.filter(Boolean).length / trials.length).toBeGreaterThan(0.9);
  });
});
