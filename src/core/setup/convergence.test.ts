import { describe, expect, it } from 'vitest';
import { type ColourOffset, convergenceOf } from './convergence';

const places = Array.from({ length: 35 }, (_, i) => ({ u: (i % 7) / 3 - 1, v: Math.floor(i / 7) / 2 - 1 }));
const colour = (at: (u: number, v: number) => readonly [number, number]): ColourOffset[] =>
  places.map(({ u, v }) => ({ u, v, x: at(u, v)[0], y: at(u, v)[1] }));
const parts = (red: ColourOffset[], blue: ColourOffset[]) => convergenceOf(red, blue).moves.map(({ part }) => part);

describe('convergence', () => {
  it('gives what parts red and blue to the four-pole rings, and what both do together to the six-pole rings', () => {
    const apart = convergenceOf(
      colour(() => [1, 0]),
      colour(() => [-1, 0]),
    );
    expect(apart.moves).toHaveLength(1);
    expect(apart.moves[0]).toMatchObject({ part: 'four-pole rings' });
    expect(apart.moves[0]!.millimetres).toBeCloseTo(1, 9);
    expect(
      parts(
        colour(() => [0, 1]),
        colour(() => [0, 1]),
      ),
    ).toEqual(['six-pole rings']);
    expect(
      parts(
        colour(() => [1, 1]),
        colour(() => [-0.2, 1]),
      ),
    ).toEqual(['six-pole rings', 'four-pole rings'].reverse());
  });

  it('leaves to the yoke what is right in the middle and wrong at the edges', () => {
    expect(
      parts(
        colour((_, v) => [v, 0]),
        colour((_, v) => [-v, 0]),
      )[0],
    ).toMatch(/tilted up or down/);
    expect(
      parts(
        colour((u) => [0, u]),
        colour((u) => [0, -u]),
      )[0],
    ).toMatch(/tilted left or right/);
  });

  it('says nothing where nothing can be seen', () => {
    const fine = convergenceOf(
      colour(() => [0.1, 0]),
      colour(() => [0, -0.1]),
    );
    expect(fine.moves).toEqual([]);
    expect(fine.worst.millimetres).toBeCloseTo(0.1, 9);
  });
});
