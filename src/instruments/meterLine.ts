import { parseQuantity, QuantityError, type Unit } from '@/core/quantity';
import { type Sample } from '@/core/reading';

/** A line of a meter that is none. */
export class MeterLineError extends Error {
  override readonly name = 'MeterLineError';
}

/** A reading as a meter sends it. */
export interface MeterReading extends Sample {
  /** Absent where the meter sends none. */
  readonly unit?: Unit;
}

const longest = 120;

/**
 * Reads a line `SECONDS VALUE UNIT`: `0.40 187.2 V`, `1.2 OL Ω`, `0.5 -121.4`.
 *
 * @throws MeterLineError with what would be right
 */
export function readMeterLine(line: string): MeterReading {
  const right = 'a line is seconds, value and unit, like "0.40 187.2 V"';
  if (line.length > longest) throw new MeterLineError(`a line of ${line.length} characters: ${right}`);
  const [at = '', ...rest] = line.trim().split(/\s+/);
  const seconds = Number(at);
  if (at === '' || !Number.isFinite(seconds) || seconds < 0 || rest.length === 0)
    throw new MeterLineError(`"${line}" is no reading: ${right}`);
  try {
    // A meter shows its range beside an over-range, too.
    const text = /^OL$/i.test(rest[0]!) ? 'OL' : rest.join(' ');
    const { value, unit } = parseQuantity(text);
    return { at: seconds, value, ...(unit === undefined ? {} : { unit }) };
  } catch (error) {
    if (error instanceof QuantityError) throw new MeterLineError(`"${line}" is no reading: ${error.message}`);
    throw error;
  }
}

/** What is less than this a meter shows as nothing. */
const least = 1e-6;

/** Writes a reading as a line. */
export function meterLine({ at, value, unit = '' }: MeterReading): string {
  const shown = value === Infinity ? 'OL' : Math.abs(value) < least ? '0' : String(Number(value.toPrecision(5)));
  return `${at.toFixed(2)} ${shown} ${unit}`.trimEnd();
}
