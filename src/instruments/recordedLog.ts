import { Refusal, parseQuantity, attempt, placed } from '@/core/quantity';
import { type MeterReading } from './meterLine';

const columns = ['seconds', 'value', 'unit', 'range'] as const;
const heading = columns.join(',');
/** A day at ten readings a second is a mistake. */
const mostReadings = 200_000;

/** Writes readings as a table with commas: seconds, value, unit, range; beyond the range is OL. */
export const writeLog = (readings: readonly MeterReading[]): string =>
  [
    heading,
    ...readings.map(
      ({ at, value, unit = '', range = '' }) => `${at},${value === Infinity ? 'OL' : value},${unit},${range}`,
    ),
  ].join('\n') + '\n';

/** The end of a range; a word such as "auto" says none. */
function rangeOf(text: string): number | undefined {
  const read = attempt(() => parseQuantity(text));
  return read instanceof Refusal ? undefined : read.value;
}

/**
 * Reads a recorded log: its first line names the columns `seconds`, `value` and perhaps `unit` and `range`, in any
 * order; others are passed over. Cells are apart by commas, semicolons or tabs.
 *
 * @throws Refusal naming the line and the column that is wrong
 */
export function readLog(text: string): MeterReading[] {
  const lines = text.split(/\r?\n/);
  const first = lines[0] ?? '';
  const apart = ['\t', ';', ','].find((one) => first.includes(one)) ?? ',';
  const cells = (line: string) => line.split(apart).map((cell) => cell.trim().replace(/^"(.*)"$/, '$1'));
  const titles = cells(first).map((title) => title.toLowerCase());
  const at = Object.fromEntries(columns.map((name) => [name, titles.indexOf(name)]));
  for (const name of ['seconds', 'value'] as const)
    if (at[name]! < 0)
      throw new Refusal(
        `line 1: there is no column "${name}" among ${titles.join(', ')}; it should be like "${heading}"`,
      );
  const readings: MeterReading[] = [];
  lines.slice(1).forEach((line, index) => {
    if (line.trim() === '') return;
    const row = cells(line);
    const where = `line ${index + 2}`;
    const seconds = Number(row[at.seconds!]);
    const before = readings[readings.length - 1]?.at ?? 0;
    if (row[at.seconds!] === '' || !Number.isFinite(seconds) || seconds < before)
      throw new Refusal(
        `${where}, column seconds: "${row[at.seconds!] ?? ''}" must be a number, and never less than before`,
      );
    const cell = (name: (typeof columns)[number]) => (at[name]! < 0 ? '' : (row[at[name]!] ?? ''));
    const written = cell('value');
    const { value, unit } = placed(`${where}, column value`, () =>
      parseQuantity(/^O\.?L$/i.test(written) ? written : `${written} ${cell('unit')}`.trim()),
    );
    const range = rangeOf(cell('range'));
    readings.push({
      at: seconds,
      value,
      ...(unit === undefined ? {} : { unit }),
      ...(range === undefined ? {} : { range }),
    });
  });
  if (readings.length === 0) throw new Refusal('the log has no readings below its heading');
  if (readings.length > mostReadings) throw new Refusal(`${readings.length} readings; a log may have ${mostReadings}`);
  return readings;
}
