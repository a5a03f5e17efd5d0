import { Refusal, parseQuantity, type Unit, placed } from '@/core/quantity';
import { type Sample } from '@/core/reading';

/** A reading as a meter sends it. */
export interface MeterReading extends Sample {
  /** Absent where the meter sends none. */
  readonly unit?: Unit;
  /** The end of the range it was read in, in the unit; absent where the meter does not say. */
  readonly range?: number;
}

const longest = 120;

/**
 * Reads a line `SECONDS VALUE UNIT RANGE`, the last two where the meter sends them: `0.40 187.2 V 200`,
 * `1.2 OL Ω 2k`, `0.5 -121.4`.
 *
 * @throws Refusal with what would be right
 */
export function readMeterLine(line: string): MeterReading {
  const right = 'a line is seconds, value and unit, like "0.40 187.2 V"';
  if (line.length > longest) throw new Refusal(`a line of ${line.length} characters: ${right}`);
  const [at = '', ...rest] = line.trim().split(/\s+/);
  const seconds = Number(at);
  if (at === '' || !Number.isFinite(seconds) || seconds < 0 || rest.length === 0)
    throw new Refusal(`"${line}" is no reading: ${right}`);
  // A number after the value and its unit is the end of the range.
  const ranged = rest.length > 1 && /^\d/.test(rest[rest.length - 1]!) ? rest.pop() : undefined;
  return placed(`"${line}" is no reading`, () => {
    // A meter shows its unit beside an over-range, too.
    const { value, unit } = parseQuantity(/^OL$/i.test(rest[0]!) ? 'OL' : rest.join(' '));
    const range = ranged === undefined ? undefined : parseQuantity(ranged).value;
    return { at: seconds, value, ...(unit === undefined ? {} : { unit }), ...(range === undefined ? {} : { range }) };
  });
}

/** What is less than this a meter shows as nothing. */
const least = 1e-6;

/** Seconds to the hundredth, or to a nanosecond where a sampler's are closer together. */
const decimal = (at: number) => (Math.abs(at * 100 - Math.round(at * 100)) < 1e-6 ? at.toFixed(2) : at.toFixed(9));

/** Writes a reading as a line. */
export function meterLine({ at, value, unit = '', range }: MeterReading): string {
  const shown = value === Infinity ? 'OL' : Math.abs(value) < least ? '0' : String(Number(value.toPrecision(5)));
  return [decimal(at), shown, unit, range === undefined ? '' : String(range)].filter((one) => one !== '').join(' ');
}
