import { describe, expect, it } from 'vitest';
import { type Raster } from '../plane';
import { quantile, seeded } from '../statistics';
import { certain, findCrossings, glassCorners, photographed, screenOf, usualBadness } from '.';

const pattern = { across: 15, down: 11 };
const straight = { ...usualBadness, askew: 0, noise: 0.01 };
const flat = (width: number, height: number, light: (x: number, y: number) => number): Raster => {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let at = 0; at < width * height; at += 1)
    data.fill(light(at % width, Math.floor(at / width)), 4 * at, 4 * at + 4);
  return { width, height, data };
};

describe('crossings in a photograph', () => {
  it.each([1, 2, 3, 4])('are found to a fraction of a line, askew and out of shape (%i)', (seed) => {
    const { picture, crossings, wide, red, blue } = photographed(pattern, 1000, seeded(seed));
    const found = findCrossings(picture, pattern);
    expect(found.map(({ row, column }) => row * 15 + column)).toEqual(crossings.map((_, i) => i));
    const misses = found.map(({ x, y }, i) => Math.hypot(x - crossings[i]!.x, y - crossings[i]!.y) / wide);
    const sure = found.flatMap(({ certainty }, i) => (certainty >= certain ? [i] : []));
    expect(sure.length).toBeGreaterThanOrEqual(0.97 * found.length);
    expect(quantile(misses, 0.5)).toBeLessThan(0.0008);
    for (const i of sure) expect(misses[i]).toBeLessThan(0.005);
    const colours = sure.flatMap((i) => [
      Math.hypot(found[i]!.red!.x - red[i]!.x, found[i]!.red!.y - red[i]!.y) / wide,
      Math.hypot(found[i]!.blue!.x - blue[i]!.x, found[i]!.blue!.y - blue[i]!.y) / wide,
    ]);
    // Half a fifth of a millimetre on a screen half a metre wide.
    expect(quantile(colours, 0.5)).toBeLessThan(0.0002);
  });

  it('may be of another number of lines', () => {
    const few = { across: 9, down: 7 };
    const { picture, crossings } = photographed(few, 800, seeded(8), straight);
    const found = findCrossings(picture, few);
    expect(found).toHaveLength(63);
    expect(Math.hypot(found[31]!.x - crossings[31]!.x, found[31]!.y - crossings[31]!.y)).toBeLessThan(1);
  });

  it('a crossing that is covered is not called certain', () => {
    const { picture, crossings } = photographed(pattern, 1000, seeded(5), straight);
    const { x, y } = crossings[5 * 15 + 7]!;
    for (let dy = -26; dy <= 26; dy += 1)
      for (let dx = -26; dx <= 26; dx += 1)
        picture.data.fill(
          8,
          4 * (Math.round(y + dy) * picture.width + Math.round(x + dx)),
          4 * (Math.round(y + dy) * picture.width + Math.round(x + dx)) + 3,
        );
    const found = findCrossings(picture, pattern);
    expect(found[5 * 15 + 7]!.certainty).toBeLessThan(certain);
    expect(found[5 * 15 + 9]!.certainty).toBeGreaterThanOrEqual(certain);
  });

  it.each([
    ['an empty field', () => flat(800, 600, () => 60), pattern, /no crosshatch in the picture/],
    ['stripes', () => flat(800, 600, (x) => (x % 50 < 4 ? 220 : 10)), pattern, /no crosshatch|hang together/],
    ['a small picture', () => flat(90, 60, () => 60), pattern, /too small/],
    [
      'fewer lines',
      () => photographed({ across: 11, down: 9 }, 800, seeded(3), straight).picture,
      pattern,
      /11 upright and 9 level lines/,
    ],
    [
      'one on its side',
      () => photographed({ across: 11, down: 15 }, 1000, seeded(3), straight).picture,
      pattern,
      /on its side/,
    ],
    ['lines that are none', () => flat(800, 600, () => 60), { across: 2, down: 11 }, /3 to 60 lines/],
  ])('are refused where there is %s, with what there is', (_, picture, lines, message) => {
    expect(() => findCrossings(picture(), lines)).toThrow(message);
  });
});

describe('the corners of the glass', () => {
  it('make a picture taken askew flat', () => {
    const corners = [
      { x: 100, y: 80 },
      { x: 900, y: 120 },
      { x: 870, y: 640 },
      { x: 130, y: 700 },
    ] as const;
    const flatten = screenOf(corners);
    corners.forEach((corner, i) => {
      const { x, y } = flatten(corner);
      expect(x).toBeCloseTo([0, 1, 1, 0][i]!, 9);
      expect(y).toBeCloseTo([0, 0, 1, 1][i]!, 9);
    });
    // A straight line stays straight.
    const [a, b, c] = [0.2, 0.5, 0.9].map((t) => flatten({ x: 100 + 770 * t, y: 80 + 560 * t }));
    expect((b!.x - a!.x) * (c!.y - a!.y)).toBeCloseTo((b!.y - a!.y) * (c!.x - a!.x), 9);
  });

  it.each([3, 7, 10])('are found where the glass stands out from its frame (%i)', (seed) => {
    const badness = { ...usualBadness, shape: 0.015, fill: 0.9 };
    const { picture, corners, wide } = photographed(pattern, 900, seeded(seed), badness);
    const found = glassCorners(picture, findCrossings(picture, pattern), pattern);
    expect(found).toHaveLength(4);
    found!.forEach(({ x, y }, i) =>
      expect(Math.hypot(x - corners[i]!.x, y - corners[i]!.y)).toBeLessThan(0.005 * wide),
    );
  });

  it('are not made up where the picture runs past the glass, or nothing surrounds it', () => {
    const over = photographed(pattern, 900, seeded(7), { ...straight, fill: 1.15 });
    expect(glassCorners(over.picture, findCrossings(over.picture, pattern), pattern)).toBeUndefined();
    const { picture, crossings } = photographed(pattern, 900, seeded(7), { ...straight, fill: 0.9 });
    const { data, width, height } = picture;
    const lines = findCrossings(picture, pattern);
    const [left, right] = [Math.min(...crossings.map(({ x }) => x)), Math.max(...crossings.map(({ x }) => x))];
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1)
        if (x < left - 8 || x > right + 8) data.fill(9, 4 * (y * width + x), 4 * (y * width + x) + 3);
    expect(glassCorners(picture, lines, pattern)).toBeUndefined();
  });

  it('go round clockwise', () => {
    const [a, b, c, d] = [
      { x: 0, y: 0 },
      { x: 9, y: 0 },
      { x: 9, y: 9 },
      { x: 0, y: 9 },
    ] as const;
    expect(() => screenOf([a, d, c, b])).toThrow(/clockwise/);
    expect(() => screenOf([a, c, b, d])).toThrow(/clockwise/);
  });
});
