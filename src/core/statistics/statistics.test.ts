import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawn, lineThrough, seeded, sum, sumOf } from '.';

describe('sums and fits', () => {
  it('add one number of each item', () => {
    expect(sum([1.5, 2, -0.5])).toBe(3);
    expect(
      sumOf(
        new Map([
          ['a', 2],
          ['b', 5],
        ]).entries(),
        ([, value]) => value,
      ),
    ).toBe(7);
    expect(sum([])).toBe(0);
  });

  it('find the line that points lie on, however they lie', () => {
    const whole = fc.integer({ min: -1000, max: 1000 });
    fc.assert(
      fc.property(whole, whole, fc.uniqueArray(whole, { minLength: 3, maxLength: 12 }), (slope, start, xs) => {
        const line = lineThrough(xs.map((x) => [x, start + slope * x]));
        expect(line.slope).toBeCloseTo(slope, 6);
        expect(line.at(0)).toBeCloseTo(start, 4);
        expect(line.error).toBeLessThan(1e-6);
      }),
    );
  });

  it('say how unsure a slope is: points a unit off on either side, worked by hand', () => {
    const line = lineThrough([
      [0, 1],
      [1, -1],
      [2, 1],
      [3, -1],
    ]);
    // Sums of squares: x 5, the misses 3.2; slope −0.4, its error √(3.2 / 2 / 5).
    expect(line.slope).toBeCloseTo(-0.4, 12);
    expect(line.error).toBeCloseTo(3.2, 12);
    expect(line.slopeError).toBeCloseTo(Math.sqrt(0.32), 12);
    expect(lineThrough([[4, 2]]).at(9)).toBe(2);
  });
});

describe('a weighted draw', () => {
  it('takes each item as often as its weight is to all', () => {
    const random = seeded(3);
    const counts = { often: 0, seldom: 0, never: 0 };
    for (let draw = 0; draw < 4000; draw += 1)
      counts[
        drawn(['never', 'often', 'seldom'] as const, (item) => ({ never: 0, often: 9, seldom: 3 })[item], random)
      ] += 1;
    expect(counts.never).toBe(0);
    expect(counts.often / 4000).toBeCloseTo(0.75, 1);
  });
});
