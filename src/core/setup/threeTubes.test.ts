import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../statistics';
import { type ColourOffset } from './convergence';
import { threeTubes } from './threeTubes';

const places = Array.from({ length: 15 * 11 }, (_, i) => ({ u: (i % 15) / 7 - 1, v: Math.floor(i / 15) / 5 - 1 }));
const colour = (at: (u: number, v: number) => readonly [number, number]): ColourOffset[] =>
  places.map(({ u, v }) => ({ u, v, x: at(u, v)[0], y: at(u, v)[1] }));
const none = colour(() => [0, 0]);

describe('convergence of three tubes', () => {
  it('says nothing where the colours meet', () => {
    expect(threeTubes({ red: none, blue: none })).toMatchObject({ moves: [], remaining: 0 });
  });

  it('gives each error to its control, in the order of the work', () => {
    const { moves, remaining } = threeTubes({
      red: colour((u, v) => [2 - 1.2 * u + 0.8 * v * v, 0.6 * u]),
      blue: colour((u, v) => [0, -1 + 0.9 * u * v]),
    });
    expect(moves.map(({ part, millimetres }) => [part, Number(millimetres.toFixed(3))])).toEqual([
      ['red, position across', 2],
      ['blue, position down', 1],
      ['red, width', 1.2],
      ['red, tilt of level lines', 0.6],
      ['red, bow of uprights', 0.8],
      ['blue, keystone of level lines', 0.9],
    ]);
    expect(moves[0]!.words).toBe('2.0 mm to go left, looked at in the middle');
    expect(moves[2]!.words).toContain('to go right');
    expect(remaining).toBeLessThan(1e-9);
  });

  it('leaves to a zone what no control of the raster does, and says what stays', () => {
    const { moves, remaining } = threeTubes({
      red: colour((u, v) => [u > 0.6 && v < -0.4 ? 1.5 : 0, 0]),
      blue: none,
    });
    const zone = moves.find(({ part }) => part === 'red, zone in the top row, far right');
    expect(zone!.words).toContain('to go left');
    expect(remaining).toBeLessThan(1.5);
  });

  it('comes to what stays, when all that it says is done, whatever the errors are', () => {
    const random = seeded(5);
    for (let round = 0; round < 20; round += 1) {
      const [a, b, c, d] = [0, 0, 0, 0].map(() => 2 * gaussian(random));
      const noisy = () => 0.03 * gaussian(random);
      const red = colour((u, v) => [a! + b! * u + c! * u * v * v + noisy(), d! + a! * u * u * v + noisy()]);
      expect(threeTubes({ red, blue: none }).remaining).toBeLessThan(0.4);
    }
  });
});
