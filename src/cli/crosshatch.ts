import { findCrossings, glassCorners } from '@/core/crosshatch';
import { placed, Refusal } from '@/core/quantity';
import { crosshatchSaid, firstMove } from '@/core/setup';
import { command, type Given, rounded } from './command';
import { cornersOf, readPicture } from './pictures';

function numberOf(given: Given, name: string, usual: number, from: number, to: number): number {
  const word = given.option(name);
  const value = Number(word ?? usual);
  if (!Number.isFinite(value) || value < from || value > to)
    throw new Refusal(`--${name} is a number from ${from} to ${to}, not "${word}"`);
  return value;
}

function tubesOf(given: Given): 1 | 3 {
  const word = given.option('tubes') ?? '1';
  if (word !== '1' && word !== '3') throw new Refusal(`--tubes is 1 or 3, not "${word}"`);
  return word === '3' ? 3 : 1;
}

const pair = (point: { readonly x: number; readonly y: number } | undefined) =>
  point && { x: rounded(point.x), y: rounded(point.y) };

export const crosshatch = command({
  name: 'crosshatch',
  takes: 'PICTURE',
  about:
    'The crossings of a photographed crosshatch, the errors of the picture’s shape and colours, and what to move: places in points of the picture, shape in percent of the screen’s width, colours in millimetres.',
  options: {
    across: { takes: 'N', about: 'upright lines of the pattern; 15 where nothing is said' },
    down: { takes: 'N', about: 'level lines of the pattern; 11 where nothing is said' },
    corners: {
      takes: 'X,Y,…',
      about: 'corners of the glass in the picture, clockwise from the top left; found where nothing is said',
    },
    aspect: { takes: 'SHARE', about: 'height of the screen by its width; 0.75 where nothing is said' },
    width: { takes: 'MM', about: 'width of the screen in millimetres; 400 where nothing is said' },
    tubes: { takes: '1|3', about: 'one tube with three guns, or one tube a colour; 1 where nothing is said' },
    overscan: { takes: 'SHARE', about: 'how much larger than the glass the picture is to be; 0 where nothing is said' },
  },
  async answer(given) {
    const [file, ...more] = given.words;
    if (file === undefined || more.length > 0)
      throw new Refusal('name one picture of the crosshatch: a JPEG, PNG or WebP');
    const pattern = { across: numberOf(given, 'across', 15, 3, 60), down: numberOf(given, 'down', 11, 3, 60) };
    const said = cornersOf(given.option('corners'));
    const screen = {
      aspect: numberOf(given, 'aspect', 0.75, 0.3, 2),
      millimetres: numberOf(given, 'width', 400, 50, 5000),
      overscan: numberOf(given, 'overscan', 0, -0.3, 0.3),
      tubes: tubesOf(given),
    };
    const picture = await readPicture(file);
    const crossings = placed(file, () => findCrossings(picture, pattern));
    const corners = said ?? glassCorners(picture, crossings, pattern);
    const { shape, errors, convergence } = placed(file, () =>
      crosshatchSaid(crossings, pattern, { ...screen, ...(corners && { corners }) }),
    );
    const { next, beyond } = firstMove(shape);
    return {
      crossings: crossings.map(({ row, column, x, y, certainty, red, blue }) => ({
        row,
        column,
        x: rounded(x, 2),
        y: rounded(y, 2),
        certainty: rounded(certainty),
        ...(red && { red: pair(red) }),
        ...(blue && { blue: pair(blue) }),
      })),
      ...(corners && { corners: corners.map(({ x, y }) => ({ x: rounded(x, 1), y: rounded(y, 1) })) }),
      geometry: {
        terms: Object.fromEntries(
          [...shape.terms].map(([id, { percent, spread }]) => [
            id,
            { percent: rounded(percent), spread: rounded(spread) },
          ]),
        ),
        off: rounded(shape.off),
        furthest: rounded(shape.furthest),
        unexplained: rounded(shape.unexplained),
        seen: errors.map(({ title, percent, words }) => `${title}: ${words} by ${Math.abs(percent).toFixed(1)} %`),
        ...(corners
          ? {}
          : {
              without:
                'no corners were given, and none stand out from the frame: size, place, tilt, trapezium and linearity cannot be told from a camera that stands askew',
            }),
      },
      move: next
        ? {
            control: next.control,
            way: next.way,
            from: rounded(next.now),
            to: rounded(next.aim),
            said: `${next.control}: ${next.way}, by ${Math.abs(next.aim - next.now).toFixed(1)} % of the width`,
          }
        : null,
      beyond,
      ...(convergence && { convergence }),
    };
  },
});
