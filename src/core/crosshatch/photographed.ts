import { gaussian, type Random } from '../statistics';
import { type Pattern } from './find';
import { blurred, cameraOf, type Point, type Raster } from '../plane';

/** A photograph of a crosshatch that was made up, with where its crossings truly are. */
export interface Photographed {
  readonly picture: Raster;
  /** Crossings of green, row by row, in pixels. */
  readonly crossings: readonly Point[];
  /** Where red and blue lie beside them, in pixels. */
  readonly red: readonly Point[];
  readonly blue: readonly Point[];
  /** Corners of the glass: top left, top right, bottom right, bottom left. */
  readonly corners: readonly [Point, Point, Point, Point];
  /** Pixels that the width of the screen takes in its middle. */
  readonly wide: number;
}

/** How bad a photograph is; every figure the most that is drawn. */
export interface Badness {
  /** Turn of the camera away from straight on, in degrees. */
  readonly askew: number;
  /** Largest error of the picture’s shape, as a share of its width. */
  readonly shape: number;
  /** Largest error of red and blue against green, as a share of the width. */
  readonly colours: number;
  /** Noise of the camera, as a share of full white. */
  readonly noise: number;
  /** Width of the pattern as a share of the screen’s. */
  readonly fill: number;
}

export const usualBadness: Badness = { askew: 25, shape: 0.03, colours: 0.008, noise: 0.03, fill: 0.96 };

/** Height of a tube’s screen as a share of its width. */
const aspect = 0.75;

/**
 * Draws a photograph of a crosshatch on a curved tube: errors of shape and colour, a camera that stands askew with a lens of
 * its own, uneven light, noise, scan lines that beat with the camera, bloom.
 *
 * @param width of the picture in pixels; it is three quarters as high
 */
export function photographed(pattern: Pattern, width: number, random: Random, bad = usualBadness): Photographed {
  const height = Math.round(width * 0.75);
  const draw = (most: number) => most * (2 * random() - 1);
  const shape = Array.from({ length: 8 }, () => draw(bad.shape / 2));
  const fill = bad.fill - 0.08 + 0.08 * random();
  const colour = () => ({
    x: draw(bad.colours / 2),
    y: draw(bad.colours / 2),
    wide: draw(bad.colours / 2),
    high: draw(bad.colours / 2),
    bow: draw(bad.colours / 2),
  });
  const none = { x: 0, y: 0, wide: 0, high: 0, bow: 0 };
  const [red, blue] = [colour(), colour()];
  /** A place of the pattern, -1 to 1 across and down, on the flat of the screen, whose width is 1. */
  const shown = (u: number, v: number, of: typeof none): Point => ({
    x:
      (fill * u) / 2 +
      shape[0]! * u * v * v +
      shape[1]! * u * v +
      shape[2]! * u * u +
      shape[3]! * u ** 3 +
      of.x +
      of.wide * u +
      of.bow * v * v,
    y:
      ((fill * v) / 2) * aspect +
      shape[4]! * v * u * u +
      shape[5]! * u * v +
      shape[6]! * v * v +
      shape[7]! * v ** 3 +
      of.y +
      of.high * v +
      of.bow * u * u,
  });
  const camera = cameraOf(width, height, { degrees: bad.askew, curve: 0.25, barrel: 0.06 }, random);
  const channels = [red, none, blue].map((of) =>
    drawnLines(pattern, width, height, (u, v) => camera(shown(u, v, of)), random),
  );
  const places = Array.from(
    { length: pattern.across * pattern.down },
    (_, i) =>
      [
        (2 * (i % pattern.across)) / (pattern.across - 1) - 1,
        (2 * Math.floor(i / pattern.across)) / (pattern.down - 1) - 1,
      ] as const,
  );
  const at = (of: typeof none) => places.map(([u, v]) => camera(shown(u, v, of)));
  const crossings = at(none);
  const beside = (of: typeof none) => at(of).map(({ x, y }, i) => ({ x: x - crossings[i]!.x, y: y - crossings[i]!.y }));
  const corner = (x: number, y: number) => camera({ x: x / 2, y: (y / 2) * aspect });
  const corners = [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)] as const;
  const picture = exposed(channels, width, height, corners, bad.noise, random);
  const [left, right] = [camera({ x: -0.5, y: 0 }), camera({ x: 0.5, y: 0 })];
  return {
    picture,
    crossings,
    red: beside(red),
    blue: beside(blue),
    corners,
    wide: Math.hypot(right.x - left.x, right.y - left.y),
  };
}

/** The light of one colour: a soft line wherever the pattern has one, brighter and darker with the scan. */
function drawnLines(
  { across, down }: Pattern,
  width: number,
  height: number,
  at: (u: number, v: number) => Point,
  random: Random,
): Float32Array {
  const light = new Float32Array(width * height);
  const soft = (width / 1000) * (0.9 + 0.9 * random());
  const beat = { rows: 180 + 300 * random(), depth: 0.25 * random() };
  const reach = Math.ceil(3 * soft);
  const dot = (u: number, v: number) => {
    const { x, y } = at(u, v);
    const bright = 1 - beat.depth * (0.5 + 0.5 * Math.sin(beat.rows * v));
    for (let py = Math.max(0, Math.ceil(y) - reach); py <= Math.min(height - 1, Math.floor(y) + reach); py += 1)
      for (let px = Math.max(0, Math.ceil(x) - reach); px <= Math.min(width - 1, Math.floor(x) + reach); px += 1) {
        const value = bright * Math.exp(-((px - x) ** 2 + (py - y) ** 2) / (2 * soft * soft));
        const index = py * width + px;
        if (value > light[index]!) light[index] = value;
      }
  };
  const steps = Math.round(width / (0.8 * soft));
  const line = (count: number, of: (along: number, line: number) => void) => {
    for (let i = 0; i < count; i += 1)
      for (let step = 0; step <= steps; step += 1) of((2 * step) / steps - 1, (2 * i) / (count - 1) - 1);
  };
  line(across, (along, u) => dot(u, along));
  line(down, (along, v) => dot(along, v));
  return light;
}

/** What a camera makes of the light: bloom, a frame about the glass, uneven light, moiré, noise. */
function exposed(
  channels: readonly Float32Array[],
  width: number,
  height: number,
  corners: readonly Point[],
  noise: number,
  random: Random,
): Raster {
  const data = new Uint8ClampedArray(width * height * 4);
  const [dark, frame, gloom] = [0.02 + 0.05 * random(), 0.05 + 0.25 * random(), 0.3 + 0.3 * random()];
  const moire = { x: 0.01 + 0.03 * random(), y: 0.01 + 0.03 * random(), depth: 0.15 * random() };
  const inside = (x: number, y: number) =>
    corners.every((here, i) => {
      const next = corners[(i + 1) % 4]!;
      return (next.x - here.x) * (y - here.y) - (next.y - here.y) * (x - here.x) > 0;
    });
  const bloom = channels.map((values) => {
    const wide = Math.round(width / 90);
    return blurred(blurred({ width, height, values }, wide, wide), wide, wide).values;
  });
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = y * width + x;
      const [cx, cy] = [x / width - 0.5, y / height - 0.5];
      const even = 1 - gloom * 2 * (cx * cx + cy * cy) + 0.1 * cx;
      const beat = 1 - moire.depth * (0.5 + 0.5 * Math.sin((6.28 * (moire.x * x + moire.y * y) * 1000) / width));
      const ground = inside(x, y) ? dark : frame;
      for (let channel = 0; channel < 3; channel += 1) {
        const light = ground + (0.75 * channels[channel]![at]! + 0.5 * bloom[channel]![at]!) * beat;
        data[4 * at + channel] = 255 * (light * even + noise * gaussian(random));
      }
      data[4 * at + 3] = 255;
    }
  return { width, height, data };
}
