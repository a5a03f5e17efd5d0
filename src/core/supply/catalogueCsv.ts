import { Refusal } from '../quantity';
import { readTable } from './csvTable';
import { readPart, writePart } from './part/readPart';
import { type CatalogueItem } from './sourcing';

const headings = {
  part: ['part', 'description', 'article', 'what'],
  price: ['price', 'each', 'unit price', 'cost'],
  from: ['from', 'at', 'break', 'min qty', 'quantity'],
  item: ['item', 'number', 'order code', 'code', 'sku'],
  stock: ['stock', 'available', 'on hand'],
  days: ['days', 'lead time', 'lead'],
} as const;

const mostPrice = 1e6;

function numberIn(written: string, what: string, whole: boolean): number | undefined {
  if (written === '') return undefined;
  const value = Number(written.replace(/^\p{Sc}\s*/u, '').replace(/^(\d+),(\d{1,2})$/, '$1.$2'));
  if (!(value >= 0) || value > mostPrice || (whole && !Number.isInteger(value)))
    throw new Refusal(`"${written}" is no ${what}`);
  return value;
}

/**
 * Reads a supplier’s catalogue: CSV with a heading, `part,price` and, where they are known, `from,item,stock,days`. The same
 * item on several lines is one with a price from each number of pieces on.
 *
 * @throws Refusal that names each line that is wrong
 */
export function readCatalogue(text: string): CatalogueItem[] {
  const example = 'a catalogue has a heading and a line for each part: part,price,from,item,stock,days';
  const lines = readTable(text, headings, 'part', example, (cell, { at }) => {
    const typed = writePart(readPart(cell(at.part)));
    const price = numberIn(cell(at.price), 'price: write it as 1.20', false);
    if (price === undefined) throw new Refusal('there is no price');
    return {
      item: cell(at.item).slice(0, 120) || typed,
      typed,
      price,
      from: Math.max(1, numberIn(cell(at.from), 'number of pieces', true) ?? 1),
      stock: numberIn(cell(at.stock), 'number of pieces', true),
      days: numberIn(cell(at.days), 'number of days', true),
    };
  });
  const items = new Map<string, CatalogueItem>();
  for (const { price, from, ...line } of lines) {
    const known = items.get(line.item);
    if (known && known.typed !== line.typed)
      throw new Refusal(`"${line.item}" is ${known.typed} on one line and ${line.typed} on another`);
    const breaks = [...(known?.breaks ?? []).filter((step) => step.from !== from), { from, price }];
    items.set(line.item, { ...line, breaks: breaks.sort((a, b) => a.from - b.from) });
  }
  return [...items.values()];
}
