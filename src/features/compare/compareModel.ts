import { compared, type Compared, type Comparison, type OddPin, oddValues } from '@/core/compare';
import { type TableReading } from '@/core/job';
import { type LogBody, type LogEntry } from '@/core/log';
import { attempt, Refusal } from '@/core/quantity';
import { type MarkName } from '@/ui';

/** What a pasted table comes to: nothing yet, a refusal, or the comparison. */
export const comparedText = (text: string) => (text.trim() === '' ? undefined : attempt(() => compared(text)));

/** Where a channel leaves the others: the last row in which it is odd, and the next that agrees. */
export function leavesAt({
  rows,
  oddColumn,
}: Comparison): { readonly odd: string; readonly agrees?: string } | undefined {
  const last = rows.findLastIndex(({ odd }) => odd !== undefined && odd === oddColumn);
  if (last < 0) return undefined;
  const agrees = rows.slice(last + 1).find(({ odd, values }) => odd === undefined && !values.includes(undefined));
  return { odd: rows[last]!.title, ...(agrees ? { agrees: agrees.title } : {}) };
}

/** The sides of a table that is swept pin by pin. */
export type Side = 0 | 1;
const gap = '-';
/** A pin that was passed over: a gap as well, but not one to be filled. */
const passed = '.';
const sweepHeading = '\tgood\tsuspect';

/** Is the table one that is swept, or none yet? */
export const isSwept = (text: string): boolean =>
  text.trim() === '' ||
  text
    .trimEnd()
    .split('\n')
    .every((line) => line.split('\t').length === 3);

/** The table with one more value on a side, at the first pin that has none there. */
export function swept(text: string, side: Side, typed: string): string {
  const value = typed === gap ? passed : typed;
  const lines = text.trim() === '' ? [sweepHeading] : text.trimEnd().split('\n');
  const rows = lines.slice(1).map((line) => line.split('\t'));
  const free = rows.find((row) => (row[side + 1] ?? gap) === gap);
  if (free) free[side + 1] = value;
  else rows.push([`pin ${rows.length + 1}`, side === 0 ? value : gap, side === 1 ? value : gap]);
  return [lines[0], ...rows.map((row) => [row[0], row[1] ?? gap, row[2] ?? gap].join('\t'))].join('\n');
}

/** The table with the value that was filled in last on a side put right. */
export function sweptAnew(text: string, side: Side, typed: string): string {
  const lines = text.trimEnd().split('\n');
  const last = lines.findLastIndex((line, index) => index > 0 && (line.split('\t')[side + 1] ?? gap) !== gap);
  if (last < 0) return swept(text, side, typed);
  const row = lines[last]!.split('\t');
  row[side + 1] = typed;
  return lines.with(last, row.join('\t')).join('\n');
}

export const markOfOdd: Readonly<Record<OddPin['kind'], MarkName>> = {
  shorted: 'dead',
  open: 'open',
  low: 'low',
  high: 'high',
};

/** How a pin that was filled in stands, or the last one; within while the other side is not known. */
export function markOfPin(text: string, pin?: string): MarkName {
  const found = comparedText(text);
  if (!found || found instanceof Refusal || found.kind !== 'pins') return 'within';
  const row = pin === undefined ? found.network.rows.length - 1 : found.network.rows.indexOf(pin);
  const odd = found.pins.odd.find((one) => one.row === row);
  return odd ? markOfOdd[odd.kind] : 'within';
}

/** The pin the next value of a side belongs to. */
export function nextPin(text: string, side: Side): string {
  const rows = text.trim() === '' ? [] : text.trimEnd().split('\n').slice(1);
  const at = rows.findIndex((line) => (line.split('\t')[side + 1] ?? gap) === gap);
  return at < 0 ? `pin ${rows.length + 1}` : rows[at]!.split('\t')[0]!;
}

/** How a value stands to the usual one: `×2.1`, `÷2.2`. */
export const ratioText = (ratio: number): string =>
  ratio >= 1 ? `×${Number(ratio.toPrecision(2))}` : `÷${Number((1 / ratio).toPrecision(2))}`;

/** How many places and columns, and how much of it is odd: `12 places, 2 columns, 1 odd`. */
export function sizeText(found: Compared): string {
  const { rows, cells } = found.network;
  const odd = oddValues(found).length;
  return `${rows.length} place${rows.length === 1 ? '' : 's'}, ${cells.length} column${cells.length === 1 ? '' : 's'}, ${odd === 0 ? 'nothing odd' : `${odd} odd`}`;
}

/** How a reading that a table comes to begins in the record. */
const takenFrom = 'compared: ';

/** The lines that a table which is kept with a job comes to. */
export const linesOfTable = (
  { title, table, photo }: { readonly title: string; readonly table: string; readonly photo?: string | undefined },
  readings: readonly TableReading[],
): LogBody[] => [
  { kind: 'compared', title, table, ...(photo === undefined ? {} : { photo }) },
  ...readings.map(({ check, answer, line }): LogBody => ({
    kind: 'reading',
    check: check.id,
    answer,
    text: `${takenFrom}${line}`,
  })),
];

/** The ids of what was recorded with a table: its line, and the readings it came to. */
export function recordedWith(table: string, log: readonly LogEntry[]): string[] {
  const at = log.findIndex(({ id }) => id === table);
  const after = log.slice(at + 1);
  const end = after.findIndex(({ body }) => body.kind !== 'reading' || !body.text.startsWith(takenFrom));
  return [table, ...(end < 0 ? after : after.slice(0, end)).map(({ id }) => id)];
}
