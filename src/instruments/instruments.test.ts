import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { patternReader, readLog, writeLog } from '.';

describe('a pattern of lines', () => {
  it.each([
    ['{value} {unit}', '12.34 V', { value: 12.34, unit: 'V' }],
    ['{value} {unit}', '-0.512mV', { value: -0.000512, unit: 'V' }],
    ['{value}{unit}', 'OL', { value: Infinity }],
    ['{skip},{value},{unit}', 'DC,4.7,kohm', { value: 4700, unit: 'Ω' }],
    ['# {value} ({unit})', '# 3.3 (V)', { value: 3.3, unit: 'V' }],
    ['{skip} {value}', 'AUTO 187.2', { value: 187.2 }],
    ['{value} {unit} {range}', 'OL kohm 2k', { value: Infinity, range: 2000 }],
  ])('%s reads "%s"', (pattern, line, reading) => {
    expect(patternReader(pattern)(line, 1.5)).toEqual({ at: 1.5, ...reading });
  });

  it('with the clock of the meter goes by that', () => {
    expect(patternReader('{seconds};{value}')('1.25e-4;3.3', 9)).toEqual({ at: 0.000125, value: 3.3 });
  });

  it.each([
    ['{value} {range} {range}', /\{range\} and \{seconds\} once at most/],
    ['{unit}', /has \{value\} once/],
    ['{value} {value}', /has \{value\} once/],
    [`{value}${'x'.repeat(90)}`, /has \{value\} once/],
  ])('of "%s" is refused', (pattern, message) => expect(() => patternReader(pattern)).toThrow(message));

  it('tells of a line that does not fit, however long, and reads the next', () => {
    const read = patternReader('{value} {unit}');
    expect(() => read('### ###', 0)).toThrow('"### ###" does not fit "{value} {unit}"');
    expect(() => read('9'.repeat(1e6), 0)).toThrow(/does not fit/);
    expect(read('5 V', 1).value).toBe(5);
  });
});

describe('a recorded log', () => {
  it('is read back as it was written', () => {
    const reading = fc.record({
      at: fc.double({ min: 0, max: 1e4, noNaN: true }),
      value: fc.oneof(fc.constant(Infinity), fc.double({ min: -1e4, max: 1e6, noNaN: true })),
      unit: fc.constantFrom('V' as const, 'Ω' as const),
      range: fc.constantFrom(200, 2000),
    });
    fc.assert(
      fc.property(fc.array(reading, { minLength: 1, maxLength: 30 }), (readings) => {
        const ordered = [...readings].sort((a, b) => a.at - b.at);
        const back = readLog(writeLog(ordered));
        expect(back).toHaveLength(ordered.length);
        back.forEach(({ at, value, range }, index) => {
          expect(range).toBe(ordered[index]!.range);
          expect(at).toBe(ordered[index]!.at);
          if (ordered[index]!.value !== Infinity) expect(value).toBeCloseTo(ordered[index]!.value, 9);
        });
      }),
    );
  });

  it('takes other columns, other orders and semicolons', () => {
    expect(readLog('range;unit;value;seconds\nauto;V;12.1;0.5\n')).toEqual([{ at: 0.5, value: 12.1, unit: 'V' }]);
  });

  it.each([
    [
      'time,volts\n1,2',
      /line 1: there is no column "seconds" among time, volts; it should be like "seconds,value,unit,range"/,
    ],
    ['seconds,value\n1,two', /line 2, column value: "two" is not a value/],
    ['seconds,value\n1,2\n0.5,2', /line 3, column seconds: "0.5" must be a number, and never less than before/],
    ['seconds,value\n', /has no readings/],
  ])('says where "%s" is wrong', (text, message) => expect(() => readLog(text)).toThrow(message));
});
