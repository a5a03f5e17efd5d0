import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compiled, evaluate, expressionText, probesOf, readExpression, withParameters } from './expression';

const parameters = new Map([
  ['k', 3],
  ['r', 4700],
]);

describe('an expression of a netlist', () => {
  it.each([
    ['1+2*3', 7],
    ['-2^2', -4],
    ['2**3', 8],
    ['k*r/1k', 14.1],
    ['10u*2', 2e-5],
    ['min(1,k,5)', 1],
    ['k > 2 ? 7 : 8', 7],
    ['if(k < 2, 7, 8)', 8],
    ['u(-1) + u(1) + uramp(2.5)', 3.5],
    ['sqrt(abs(-9))', 3],
    ['pow(2,10)', 1024],
    ['2*pi', 2 * Math.PI],
  ])('%s is %d', (text, value) => {
    expect(evaluate(text, parameters)).toBeCloseTo(value, 9);
  });

  it.each([
    ['1+', /breaks off/],
    ['(1', /lacks a closing/],
    ['lots', /no parameter/],
    ['pow(1)', /takes 2 values, not 1/],
    ['cube(1)', /no function here; there are/],
    ['1/0', /no finite number/],
    ['k ? 1', /lacks the ":"/],
  ])('"%s" is refused', (text, message) => {
    expect(() => evaluate(text, parameters)).toThrow(message);
  });

  const law = 'v(a)*v(b,c) + exp(-abs(v(a))) / (1 + v(b,c)^2) + tanh(i(v1)) - max(v(a), 0.5)';

  it('names its probes once each, and is written as it reads', () => {
    const read = readExpression(law, true);
    expect(probesOf(read)).toEqual([
      { kind: 'volts', plus: 'a', minus: '0' },
      { kind: 'volts', plus: 'b', minus: 'c' },
      { kind: 'amperes', through: 'v1' },
    ]);
    expect(readExpression(expressionText(read), true)).toEqual(read);
  });

  it('has the slopes that small steps show', () => {
    const read = withParameters(readExpression(law, true), parameters);
    const work = compiled(read, probesOf(read));
    const place = fc.double({ min: 0.6, max: 3, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(place, place, place), (x) => {
        const { slopes } = work(x);
        slopes.forEach((slope, at) => {
          const moved = (by: number) => work(x.map((value, index) => (index === at ? value + by : value))).value;
          expect(slope).toBeCloseTo((moved(1e-6) - moved(-1e-6)) / 2e-6, 4);
        });
      }),
    );
  });
});
