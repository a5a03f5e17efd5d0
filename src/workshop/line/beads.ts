import { type ReadingRow } from '@/core/job';
import { type Case } from '@/core/diagnosis';
import { formatQuantity } from '@/core/quantity';
import { type MarkName } from '@/ui';
import { type Bead, type Line, placeBeads } from './line';

/** The worse of two marks is the one to show. */
const gravity: Readonly<Record<MarkName, number>> = { unread: 0, within: 1, odd: 2, low: 3, high: 3, open: 4, dead: 5 };

const worse = (a: MarkName, b: MarkName): MarkName => (gravity[b] > gravity[a] ? b : a);

const placedBefore = new WeakMap<Line, { readonly of: string; readonly places: ReturnType<typeof placeBeads> }>();

/** Where the beads go; the same as before while the same nets were read, which most lines typed leave so. */
function placesOf(line: Line, measurable: ReadonlySet<string>, read: ReadonlySet<string>) {
  const of = `${[...measurable].join(' ')} read ${[...read].sort().join(' ')}`;
  const before = placedBefore.get(line);
  if (before?.of === of) return before.places;
  const wires = line.wires.filter((wire) => measurable.has(wire.net));
  const places = placeBeads(wires, line.blocks, read);
  placedBefore.set(line, { of, places });
  return places;
}

/** Beads for all wires that can be measured: read ones with their figure, the others hollow. */
export function beadsOf(line: Line, { predictions, bench }: Case, rows: readonly ReadingRow[]): Bead[] {
  const { sheet } = predictions.model;
  const measurable = new Set(
    [...sheet.points.values()].flatMap((point) =>
      point.net !== undefined && point.measure !== 'ohms' ? [point.net] : [],
    ),
  );
  // Rows come newest first; a reading before the last repair no longer says how the wire stands.
  const latest = new Map<string, ReadingRow>();
  for (const row of rows) {
    const net = row.check.point?.net;
    const counts =
      net !== undefined && row.check.measure !== 'ohms' && row.reading.afterRepairs === bench.repairs.length;
    if (counts && !latest.has(net)) latest.set(net, row);
  }
  return [...placesOf(line, measurable, new Set(latest.keys()))].map(([net, place]): Bead => {
    const row = latest.get(net);
    if (!row) return { net, mark: 'unread', text: sheet.nets.get(net)!.title, ...place };
    const { answer } = row.reading;
    const text = answer.kind === 'number' ? formatQuantity(answer.value, row.check.unit, 3) : row.said;
    return { net, mark: row.verdict.mark, text, ...place };
  });
}

/** For each block the worst verdict among readings of its parts and of what it makes unseen. */
export function blockMarks(
  line: Line,
  { predictions, bench }: Case,
  rows: readonly ReadingRow[],
): Map<string, MarkName> {
  const { sheet } = predictions.model;
  const wired = new Set(line.wires.map((wire) => wire.net));
  const maker = new Map(
    [...sheet.blocks.values()].flatMap((block) => block.makes.map((net): [string, string] => [net, block.id])),
  );
  const marks = new Map<string, MarkName>();
  for (const { check, verdict, reading } of rows) {
    if (reading.afterRepairs !== bench.repairs.length) continue;
    const { point } = check;
    if (!point) continue;
    const blocks =
      point.net !== undefined
        ? wired.has(point.net) && check.measure !== 'ohms'
          ? []
          : [maker.get(point.net)!]
        : [...new Set(point.parts.map((part) => sheet.parts.get(part)!.block))];
    const several = blocks.length > 1;
    for (const block of blocks) {
      // One look over many blocks says little of each of them.
      if (several && verdict.mark !== 'within') continue;
      marks.set(block, worse(marks.get(block) ?? 'unread', verdict.mark));
    }
  }
  return marks;
}
