import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../statistics';
import { distanceOf, type Plane, type Point, Projection, roundSpotNear } from '.';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const near = (wanted: Point) => ({
  x: expect.closeTo(wanted.x, 6) as number,
  y: expect.closeTo(wanted.y, 6) as number,
});

describe('a projection', () => {
  const truth = new Projection([0.9, 0.12, 0.05, -0.08, 1.1, 0.02, 0.15, -0.2, 1]);
  const corners: readonly Point[] = [
    { x: 0, y: 0 },
    { x: 1, y: 0.1 },
    { x: 0.9, y: 1 },
    { x: 0.1, y: 0.8 },
  ];

  it('is found from four pairs, and carries every other point as well, there and back', () =>
    fc.assert(
      fc.property(share, share, (x, y) => {
        const found = Projection.through(corners.map((seen) => ({ seen, lies: truth.at(seen) })));
        expect(found.at({ x, y })).toEqual(near(truth.at({ x, y })));
        expect(found.back().at(truth.at({ x, y }))).toEqual(near({ x, y }));
      }),
    ));

  it('is nearer to the truth with more pairs that scatter', () => {
    const missed = (count: number) => {
      const random = seeded(11);
      const pairs = Array.from({ length: count }, (_, index) => {
        const seen = corners[index] ?? { x: random(), y: random() };
        const lies = truth.at(seen);
        return { seen, lies: { x: lies.x + 0.01 * (random() - 0.5), y: lies.y + 0.01 * (random() - 0.5) } };
      });
      const found = Projection.through(pairs);
      const places = Array.from({ length: 100 }, (_, i) => ({ x: (i % 10) / 9, y: Math.floor(i / 10) / 9 }));
      return Math.max(...places.map((place) => distanceOf(found.at(place), truth.at(place))));
    };
    expect(missed(40)).toBeLessThan(0.7 * missed(4));
  });
});

describe('the middle of something round', () => {
  const drawn = (middle: Point, radius: number, bright: number): Plane => {
    const values = Float32Array.from({ length: 60 * 60 }, (_, at) => {
      const from = Math.hypot((at % 60) - middle.x, Math.floor(at / 60) - middle.y);
      return 0.5 + bright * Math.min(1, Math.max(0, radius + 0.5 - from));
    });
    return { width: 60, height: 60, values };
  };

  it.each([
    [0.4, 5],
    [-0.4, 5],
    [0.1, 8],
  ])('is found to a fifth of a pixel, whether bright or dark (%f, %f pixels)', (bright, radius) =>
    fc.assert(
      fc.property(share, share, share, share, (dx, dy, ox, oy) => {
        const middle = { x: 29 + dx, y: 29 + dy };
        const found = roundSpotNear(drawn(middle, radius, bright), { x: 26 + 6 * ox, y: 26 + 6 * oy }, 12)!;
        expect(distanceOf(found, middle)).toBeLessThan(0.2);
      }),
    ),
  );

  it('is not found on an edge, nor where nothing is', () => {
    const edge = Float32Array.from({ length: 60 * 60 }, (_, at) => (at % 60 < 30 ? 0 : 1));
    expect(roundSpotNear({ width: 60, height: 60, values: edge }, { x: 30, y: 30 }, 12)).toBeUndefined();
    expect(roundSpotNear(drawn({ x: 30, y: 30 }, 0, 0), { x: 30, y: 30 }, 12)).toBeUndefined();
  });
});
