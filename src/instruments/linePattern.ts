import { Refusal, parseQuantity, placed } from '@/core/quantity';
import { type MeterReading } from './meterLine';

/**
 * How a meter writes its lines: words of its own with `{value}` among them, perhaps `{unit}`, `{range}`, the
 * `{seconds}` of its own clock, and `{skip}` for what says nothing.
 */
export const usualPattern = '{value} {unit}';

const longestPattern = 80;
const pieces: Readonly<Record<string, string>> = {
  '{value}': '(?<value>[-+]?[0-9.,]+(?:[eE][-+]?[0-9]+)?|O\\.?L)',
  '{unit}': '(?<unit>[a-zA-Zµμ%Ω]*)',
  '{range}': '(?<range>[0-9.]+[kM]?)',
  '{seconds}': '(?<seconds>[0-9.]+(?:[eE][-+]?[0-9]+)?)',
  '{skip}': '[^,;\\t ]*',
};

/**
 * Reads lines as a pattern has them.
 *
 * @returns a reader of one line, given the seconds at which it came; a line's own seconds come first
 * @throws Refusal where the pattern has no place for the value, or one of anything twice
 */
export function patternReader(pattern: string): (line: string, at: number) => MeterReading {
  const count = (piece: string) => pattern.split(piece).length - 1;
  const once = ['{unit}', '{range}', '{seconds}'].every((piece) => count(piece) <= 1);
  if (pattern.length > longestPattern || count('{value}') !== 1 || !once)
    throw new Refusal(
      `a pattern has {value} once, and {unit}, {range} and {seconds} once at most, like "${usualPattern}"`,
    );
  const source = pattern
    .trim()
    .split(/(\{(?:value|unit|range|seconds|skip)\}|\s+)/)
    .filter((piece) => piece !== '')
    .map((piece) =>
      pieces[piece] !== undefined
        ? pieces[piece]
        : /^\s+$/.test(piece)
          ? '\\s*'
          : piece.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'),
    )
    .join('');
  const shape = new RegExp(`^\\s*${source}\\s*$`);
  return (line, at) => {
    const found = line.length > 200 ? null : shape.exec(line);
    if (!found?.groups) throw new Refusal(`"${line.slice(0, 40)}" does not fit "${pattern}"`);
    const { value = '', unit = '', range: end, seconds } = found.groups;
    return placed(`"${line.slice(0, 40)}"`, () => {
      const read = parseQuantity(/^O\.?L$/i.test(value) ? 'OL' : `${value} ${unit}`.trim());
      const range = end === undefined ? undefined : parseQuantity(end).value;
      const own = Number(seconds ?? at);
      return {
        at: Number.isFinite(own) ? own : at,
        value: read.value,
        ...(read.unit === undefined ? {} : { unit: read.unit }),
        ...(range === undefined ? {} : { range }),
      };
    });
  };
}
