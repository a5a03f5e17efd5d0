import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LinearSystem } from './linearSystem';

const entry = fc.tuple(fc.nat(39), fc.nat(39), fc.double({ min: -5, max: 5, noNaN: true }));
const sparse = fc.record({
  size: fc.integer({ min: 1, max: 40 }),
  entries: fc.array(entry, { maxLength: 120 }),
  right: fc.array(fc.double({ min: -10, max: 10, noNaN: true }), { minLength: 40, maxLength: 40 }),
});

/** Fills a system that has a solution: what falls outside is left out, the diagonal outweighs its row. */
function filled(system: LinearSystem, entries: readonly (readonly [number, number, number])[]): number[][] {
  const { size } = system;
  const matrix = Array.from({ length: size }, () => new Array<number>(size).fill(0));
  for (const [row, column, value] of entries) if (row < size && column < size) matrix[row]![column]! += value;
  matrix.forEach((row, i) => (row[i] = 1 + row.reduce((sum, value) => sum + Math.abs(value), 0)));
  system.start();
  matrix.forEach((row, i) => row.forEach((value, j) => value !== 0 && system.add(i, j, value)));
  return matrix;
}

const times = (matrix: readonly (readonly number[])[], x: ArrayLike<number>) =>
  matrix.map((row) => row.reduce((sum, value, j) => sum + value * x[j]!, 0));

describe('a system of linear equations', () => {
  it('is solved, and its transposed too, also when its entries move to other places', () => {
    fc.assert(
      fc.property(sparse, fc.array(entry, { maxLength: 60 }), ({ size, entries, right }, others) => {
        const system = new LinearSystem(size);
        for (const list of [entries, others, entries]) {
          const matrix = filled(system, list);
          expect(system.factor()).toBe(-1);
          const wanted = right.slice(0, size);
          const solution = Float64Array.from([...wanted, 0]);
          system.solve(solution);
          times(matrix, solution).forEach((value, i) => expect(value).toBeCloseTo(wanted[i]!, 8));
          const turned = Float64Array.from([...wanted, 0]);
          system.solveTransposed(turned);
          const across = matrix.map((_, j) => matrix.map((row) => row[j]!));
          times(across, turned).forEach((value, i) => expect(value).toBeCloseTo(wanted[i]!, 8));
        }
      }),
    );
  });

  it('needs no entry on the diagonal, and finds another order when a pivot fades away', () => {
    const system = new LinearSystem(2);
    for (const [a, b] of [
      [1, 0],
      [1e-14, 1],
      [0, 1],
    ] as const) {
      system.start();
      system.add(0, 0, a);
      system.add(0, 1, 2);
      system.add(1, 0, 3);
      system.add(1, 1, b);
      expect(system.factor()).toBe(-1);
      const x = Float64Array.of(4, 5, 0);
      system.solve(x);
      expect(a * x[0]! + 2 * x[1]!).toBeCloseTo(4, 12);
      expect(3 * x[0]! + b * x[1]!).toBeCloseTo(5, 12);
    }
  });

  it('names an unknown that no equation determines', () => {
    const system = new LinearSystem(3);
    system.conductance(0, 1, 1);
    system.add(0, 0, 1);
    expect(system.factor()).toBe(2);
  });

  it('starts again from stamps that were kept', () => {
    const system = new LinearSystem(2);
    system.conductance(0, 2, 0.5);
    system.conductance(1, 2, 0.25);
    const kept = system.stamps();
    system.conductance(0, 1, 100);
    system.start(kept);
    system.factor();
    const x = Float64Array.of(1, 1, 0);
    system.solve(x);
    expect([...x.subarray(0, 2)]).toEqual([2, 4]);
  });
});
