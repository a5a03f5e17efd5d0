import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  formatCode,
  formatQuantity,
  formatTolerance,
  judge,
  nearestPreferred,
  parseQuantity,
  parseTolerance,
  readTurn,
  toleranceWidth,
  type Unit,
  units,
  Refusal,
} from '.';

describe('parseQuantity', () => {
  it.each([
    ['4k7', 4700, undefined],
    ['0R22', 0.22, 'Ω'],
    ['680u', 680e-6, undefined],
    ['6V2', 6.2, 'V'],
    ['2.2M', 2.2e6, undefined],
    ['-168', -168, undefined],
    ['1.2 mV', 1.2e-3, 'V'],
    ['41k2', 41200, undefined],
    ['187,5', 187.5, undefined],
    ['15.6 kHz', 15600, 'Hz'],
    ['470Ω', 470, 'Ω'],
    ['33 kohm', 33000, 'Ω'],
    ['100 µF', 100e-6, 'F'],
    ['+12V', 12, 'V'],
    ['.5', 0.5, undefined],
    ['OL', Infinity, undefined],
    ['3%', 3, '%'],
  ])('reads %s', (text, value, unit) => {
    expect(parseQuantity(text)).toEqual(unit === undefined ? { value } : { value, unit });
  });

  it.each(['abc', '', '4k7k', '1..2', '12 Vx', 'R', '3 k%', '--4', '4 constructor', '4k valueOf', '4k7 toString'])(
    'refuses %j and says what would be right',
    (text) => {
      expect(() => parseQuantity(text)).toThrow(/write it like/);
    },
  );

  it('refuses a comma that could separate thousands', () => {
    expect(() => parseQuantity('1,200')).toThrow('could be 1.200 or 1200');
    expect(parseQuantity('0,470').value).toBe(0.47);
  });
});

const readable = fc.double({ min: 1e-11, max: 9e9, noNaN: true }).map((value) => Number(value.toPrecision(4)));

describe('formatting', () => {
  it('never writes milli before farads', () => {
    expect(formatQuantity(1e-3, 'F')).toBe('1000 µF');
    expect(formatQuantity(4.7e-3, 'F')).toBe('4700 µF');
  });

  it('prints what parses back, for every unit', () => {
    fc.assert(
      fc.property(readable, fc.boolean(), fc.constantFrom<Unit>(...units), (size, negative, unit) => {
        const value = negative ? -size : size;
        const back = parseQuantity(formatQuantity(value, unit, 4));
        expect(back.value).toBeCloseTo(value, Math.max(0, 6 - Math.floor(Math.log10(size))));
        expect(Math.abs(back.value / value - 1)).toBeLessThan(1e-3);
      }),
    );
  });

  it('marks parts so that the marking parses back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-11, max: 9e8, noNaN: true }),
        fc.constantFrom('Ω' as const, 'F' as const),
        (size, unit) => {
          expect(Math.abs(parseQuantity(formatCode(size, unit)).value / size - 1)).toBeLessThan(6e-3);
        },
      ),
    );
  });

  it.each([
    [41200, 'Ω', '41.2 kΩ'],
    [-121.4, 'V', '-121.4 V'],
    [0.22, 'Ω', '0.22 Ω'],
    [390, 'V', '390 V'],
    [23000, 'V', '23 kV'],
    [0.0012, 'V', '1.2 mV'],
    [0, 'V', '0 V'],
    [999.96, 'Ω', '1 kΩ'],
    [100e-6, 'F', '100 µF'],
    [Infinity, 'Ω', 'OL'],
  ] as const)('writes %d %s as %s', (value, unit, text) => {
    expect(formatQuantity(value, unit)).toBe(text);
  });

  it.each([
    [4700, 'Ω', '4k7'],
    [0.22, 'Ω', '0R22'],
    [33, 'Ω', '33R'],
    [680e-6, 'F', '680u'],
    [8.2e-9, 'F', '8n2'],
  ] as const)('codes %d %s as %s', (value, unit, text) => {
    expect(formatCode(value, unit)).toBe(text);
  });
});

describe('tolerances and verdicts', () => {
  it('reads shares and amounts', () => {
    expect(toleranceWidth(parseTolerance('±3 %'), -168)).toBeCloseTo(5.04);
    expect(toleranceWidth(parseTolerance('0.25 V'), 5)).toBe(0.25);
    expect(formatTolerance({ relative: 0.03 })).toBe('±3 %');
    expect(() => parseTolerance('-2%')).toThrow('not a tolerance');
  });

  it.each([
    [-121.4, -168, 'low'],
    [-165, -168, 'within'],
    [-180, -168, 'high'],
    [168, -168, 'odd'],
    [0.4, 187, 'dead'],
    [Infinity, 10, 'open'],
  ])('judges %d against %d as %s', (value, nominal, verdict) => {
    expect(judge(value, nominal, { relative: 0.03 }).verdict).toBe(verdict);
  });

  it('never calls a value inside its tolerance anything but within', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1000, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (nominal, off) => {
          expect(judge(nominal * (1 + 0.05 * off), nominal, { relative: 0.05 }).verdict).toBe('within');
        },
      ),
    );
  });
});

describe('nearestPreferred', () => {
  it.each([
    [4900, 'E12', 4700],
    [0.95, 'E6', 1],
    [8.9, 'E24', 9.1],
    [1010, 'E96', 1020],
    [31, 'E3', 22],
  ] as const)('takes %d in %s to %d', (value, series, preferred) => {
    expect(nearestPreferred(value, series)).toBeCloseTo(preferred, 9);
  });

  it('is never further than half a step of the series', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-3, max: 1e9, noNaN: true }), (value) => {
        expect(Math.abs(Math.log(nearestPreferred(value, 'E24') / value))).toBeLessThan(0.072); // half of 1.3 to 1.5, its widest step;
      }),
    );
    expect(() => nearestPreferred(0, 'E12')).toThrow(Refusal);
  });
});

describe('turns as they are typed', () => {
  it.each([
    ['1/8', 0.125],
    ['-1/4', -0.25],
    ['−0,5', -0.5],
    ['+2', 2],
  ])('reads %s', (text, turn) => {
    expect(readTurn(text)).toBe(turn);
  });

  it.each(['', '0', '1/0', '0/4', 'a bit', '99', '1/8/2'])('refuses %j and says what would be right', (text) => {
    expect(() => readTurn(text)).toThrow(/is no turn: write 1\/8 clockwise, or -1\/8 the other way/);
  });
});
