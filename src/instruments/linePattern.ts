import { parseQuantity, QuantityError } from '@/core/quantity';
import { MeterLineError, type MeterReading } from './meterLine';

/** How a meter writes its lines: words of its own with `{value}`, perhaps `{unit}` and `{skip}` among them. */
export const usualPattern = '{value} {unit}';

const longestPattern = 80;
const pieces: Readonly<Record<string, string>> = {
  '{value}': '(?<value>[-+]?[0-9.,]+(?:[eE][-+]?[0-9]+)?|O\\.?L)',
  '{unit}': '(?<unit>[a-zA-Zµμ%Ω]*)',
  '{skip}': '[^,;\\t ]*',
};

/**
 * Reads lines as a pattern has them.
 *
 * @returns a reader of one line, given the seconds at which it came
 * @throws MeterLineError where the pattern has no place for the value, or one of it twice
 */
export function patternReader(pattern: string): (line: string, at: number) => MeterReading {
  const count = (piece: string) => pattern.split(piece).length - 1;
  if (pattern.length > longestPattern || count('{value}') !== 1 || count('{unit}') > 1)
    throw new MeterLineError(`a pattern has {value} once and {unit} once at most, like "${usualPattern}"`);
  const source = pattern
    .trim()
    .split(/(\{value\}|\{unit\}|\{skip\}|\s+)/)
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
    if (!found?.groups) throw new MeterLineError(`"${line.slice(0, 40)}" does not fit "${pattern}"`);
    const { value = '', unit = '' } = found.groups;
    try {
      const read = parseQuantity(/^O\.?L$/i.test(value) ? 'OL' : `${value} ${unit}`.trim());
      return { at, value: read.value, ...(read.unit === undefined ? {} : { unit: read.unit }) };
    } catch (error) {
      if (error instanceof QuantityError) throw new MeterLineError(`"${line.slice(0, 40)}": ${error.message}`);
      throw error;
    }
  };
}
