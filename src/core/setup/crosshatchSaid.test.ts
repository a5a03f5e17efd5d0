import { describe, expect, it } from 'vitest';
import { type Crossing } from '../crosshatch';
import { crosshatchSaid, firstMove, wantedOf } from '.';

const pattern = { across: 15, down: 11 };
const screen = { aspect: 0.75, millimetres: 500, overscan: 0 };
/** A glass of 1000 by 750 points with its left upper corner at 100, 50. */
const corners = [
  { x: 100, y: 50 },
  { x: 1100, y: 50 },
  { x: 1100, y: 800 },
  { x: 100, y: 800 },
] as const;
const wanted = wantedOf(15, 11, 0.75);

/** Crossings of a picture that is wider than it should be by a share, with red beside green by some points. */
const crossings = (wider: number, red = { x: 0, y: 0 }, certainty = 0.9): Crossing[] =>
  Array.from({ length: 165 }, (_, i) => {
    const [row, column] = [Math.floor(i / 15), i % 15];
    const [u, v] = [column / 7 - 1, row / 5 - 1];
    return {
      row,
      column,
      x: 600 + 1000 * ((u * wanted.wide * (1 + wider)) / 2),
      y: 425 + 1000 * ((v * wanted.high) / 2),
      certainty,
      red,
      blue: { x: 0, y: 0 },
    };
  });

describe('what a photographed crosshatch says', () => {
  it('is nothing where all is right', () => {
    const { errors, shape, convergence } = crosshatchSaid(crossings(0), pattern, { ...screen, corners });
    expect(errors).toEqual([]);
    expect(shape.off).toBeCloseTo(0, 9);
    expect(convergence!.moves).toEqual([]);
    expect(firstMove(shape)).toMatchObject({ done: true, next: undefined });
  });

  it('is the width in percent of the glass, and what to turn', () => {
    const { errors, shape } = crosshatchSaid(crossings(0.04), pattern, { ...screen, corners });
    expect(errors).toHaveLength(1);
    expect(errors[0]).toMatchObject({ id: 'width', words: 'too wide' });
    expect(errors[0]!.percent).toBeCloseTo(100 * 0.04 * wanted.wide, 9);
    expect(firstMove(shape).next).toMatchObject({ control: 'width', way: 'narrower' });
  });

  it('counts colours in millimetres of the screen', () => {
    const { convergence } = crosshatchSaid(crossings(0, { x: 4, y: 0 }), pattern, { ...screen, corners });
    // Four of a thousand points of a screen half a metre wide.
    expect(convergence!.static.red[0]).toBeCloseTo(2, 9);
    expect(convergence!.worst).toMatchObject({ colour: 'red' });
    expect(convergence!.moves.map(({ part }) => part)).toEqual(['four-pole rings', 'six-pole rings']);
  });

  it('allows for the overscan that is wanted', () => {
    const { errors } = crosshatchSaid(crossings(0), pattern, { ...screen, corners, overscan: 0.05 });
    expect(errors.map(({ id, words }) => `${id} ${words}`).sort()).toEqual(['height too low', 'width too narrow']);
  });

  it('without corners leaves out size, and places crossings as one straight before the screen would see them', () => {
    const { errors, seen } = crosshatchSaid(crossings(0.04), pattern, screen);
    expect(errors).toEqual([]);
    expect(seen[0]!.x).toBeCloseTo(-wanted.wide / 2, 6);
    expect(seen.at(-1)!.y).toBeCloseTo(wanted.high / 2, 6);
  });

  it('goes by what is certain alone, and says where that is too little', () => {
    const some = crossings(0).map((one, i) => ({ ...one, ...(i % 3 === 0 ? { x: one.x + 40, certainty: 0.1 } : {}) }));
    expect(crosshatchSaid(some, pattern, { ...screen, corners }).shape.furthest).toBeCloseTo(0, 9);
    expect(() => crosshatchSaid(crossings(0, undefined, 0.1), pattern, { ...screen, corners })).toThrow(/20 crossings/);
  });
});
