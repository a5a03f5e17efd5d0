import { readPartCheck } from '@/core/survey';
import { Refusal } from '@/core/quantity';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readNetworkTable } from '@/core/compare';
import { patternReader, readLog, readMeterLine } from '.';

const pieces = [
  '0.1',
  '187.2',
  'V',
  'Ω',
  'OL',
  'kΩ',
  '200',
  '-',
  ',',
  ';',
  '\t',
  '\n',
  'seconds',
  'value',
  'range',
  '{value}',
  '{unit}',
];
const text = fc
  .array(fc.oneof(fc.constantFrom(...pieces), fc.string({ maxLength: 6 })), { maxLength: 30 })
  .map((parts) => parts.join(' '));

/** Every reader of lines: it gives what it can read, or its own error, whatever comes. */
const readers: readonly [string, new (message: string) => Error, (typed: string) => unknown][] = [
  ['a line of a meter', Refusal, readMeterLine],
  ['a recorded log', Refusal, readLog],
  ['a recorded log below its heading', Refusal, (typed) => readLog(`seconds,value,unit\n${typed}`)],
  ['a pattern', Refusal, (typed) => patternReader(typed)('12.1 V', 0)],
  ['a line by a pattern', Refusal, (typed) => patternReader('{value} {unit}')(typed, 0)],
  ['a table to compare', Refusal, readNetworkTable],
  ['a part of the survey', Refusal, (typed) => readPartCheck(`R12 ${typed}`, () => undefined)],
];

describe.each(readers)('%s', (_, Refusal, read) => {
  it('is read, or refused by its own error', () => {
    fc.assert(
      fc.property(text, (typed) => {
        try {
          read(typed);
        } catch (error) {
          if (!(error instanceof Refusal)) throw error;
          expect(error.message.length).toBeGreaterThan(8);
        }
      }),
      { numRuns: 600 },
    );
  });
});
