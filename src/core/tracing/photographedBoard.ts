import { cameraOf, type Plane, type Point, type Raster, sampled } from '../plane';
import { gaussian, type Random } from '../statistics';
import { type BoardSide } from './place';

/** A board that is made up: width 1, the origin at its upper left corner seen from the front. */
export interface MadeBoard {
  readonly high: number;
  /** Where its pins go through it. */
  readonly holes: readonly Point[];
  /** Copper on the back, each along its points. */
  readonly tracks: readonly (readonly Point[])[];
  /** Parts on the front, each over its pins. */
  readonly bodies: readonly (readonly Point[])[];
}

/** How badly a board is photographed; every figure the most that is drawn. */
export interface BoardBadness {
  /** Turn of the camera, in degrees. */
  readonly askew: number;
  readonly barrel: number;
  /** Noise of the camera, as a share of full white. */
  readonly noise: number;
}

/** Width of the drawing that is photographed, in pixels. */
const drawnAt = 1600;
const radius = { hole: 0.0026, pad: 0.0062, track: 0.0028, body: 0.012 };

/**
 * Photographs a made-up board from one side: holes with rings, parts or copper, a camera askew with a lens, noise.
 *
 * @param width of the photograph in pixels; it is three quarters as high
 * @returns the photograph, and where a place of the board lies on it, in pixels
 */
export function photographedBoard(
  board: MadeBoard,
  side: BoardSide,
  width: number,
  bad: BoardBadness,
  random: Random,
): { readonly picture: Raster; at(place: Point): Point } {
  const height = Math.round(width * 0.75);
  const camera = cameraOf(width, height, { degrees: bad.askew, curve: 0, barrel: bad.barrel }, random);
  const at = ({ x, y }: Point) => camera({ x: side === 'back' ? 0.5 - x : x - 0.5, y: y - board.high / 2 });
  const drawn = drawnBoard(board, side);
  const data = new Uint8ClampedArray(width * height * 4);
  for (let py = 0; py < height; py += 1) {
    let place: Point = { x: 0.5, y: board.high / 2 };
    for (let px = 0; px < width; px += 1) {
      place = seenAt(at, { x: px, y: py }, place);
      const on = place.x >= 0 && place.x <= 1 && place.y >= 0 && place.y <= board.high;
      const light = 1 + bad.noise * gaussian(random) - 0.25 * ((px / width - 0.5) ** 2 + (py / height - 0.5) ** 2);
      for (let channel = 0; channel < 3; channel += 1) {
        const value = on ? sampled(drawn[channel]!, place.x * drawnAt, place.y * drawnAt) : 0.16;
        data[4 * (py * width + px) + channel] = 255 * value * light;
      }
      data[4 * (py * width + px) + 3] = 255;
    }
  }
  return { picture: { width, height, data }, at };
}

/** The place that a camera shows at a pixel: Newton's iteration from a place nearby. */
function seenAt(at: (place: Point) => Point, pixel: Point, from: Point): Point {
  const step = 1e-4;
  let { x, y } = from;
  for (let turn = 0; turn < 8; turn += 1) {
    const here = at({ x, y });
    const [missX, missY] = [pixel.x - here.x, pixel.y - here.y];
    if (Math.hypot(missX, missY) < 0.02) break;
    const [right, down] = [at({ x: x + step, y }), at({ x, y: y + step })];
    const [a, b, c, d] = [right.x - here.x, down.x - here.x, right.y - here.y, down.y - here.y];
    const determinant = a * d - b * c;
    x += (step * (d * missX - b * missY)) / determinant;
    y += (step * (a * missY - c * missX)) / determinant;
  }
  return { x, y };
}

type Colour = readonly [red: number, green: number, blue: number];
const colours = {
  front: [0.62, 0.5, 0.33],
  back: [0.2, 0.42, 0.3],
  copper: [0.35, 0.56, 0.4],
  ring: [0.78, 0.76, 0.7],
  hole: [0.1, 0.1, 0.1],
  body: [0.3, 0.34, 0.42],
} as const satisfies Record<string, Colour>;

/** The board from one side, straight before it, unmirrored; its three colours, 0 to 1. */
function drawnBoard({ high, holes, tracks, bodies }: MadeBoard, side: BoardSide): readonly Plane[] {
  const height = Math.ceil(high * drawnAt) + 1;
  const planes = colours[side].map((value): Plane => ({
    width: drawnAt + 1,
    height,
    values: new Float32Array((drawnAt + 1) * height).fill(value),
  }));
  /** A disc with a soft edge. */
  const disc = ({ x, y }: Point, size: number, colour: Colour) => {
    const [cx, cy, r] = [x * drawnAt, y * drawnAt, size * drawnAt];
    for (let py = Math.max(0, Math.floor(cy - r - 1)); py <= Math.min(height - 1, cy + r + 1); py += 1)
      for (let px = Math.max(0, Math.floor(cx - r - 1)); px <= Math.min(drawnAt, cx + r + 1); px += 1) {
        const cover = Math.min(1, Math.max(0, r + 0.5 - Math.hypot(px - cx, py - cy)));
        if (cover === 0) continue;
        for (const [channel, { values }] of planes.entries()) {
          const index = py * (drawnAt + 1) + px;
          values[index] = values[index]! * (1 - cover) + colour[channel]! * cover;
        }
      }
  };
  const along = (points: readonly Point[], size: number, colour: Colour) => {
    for (const [index, to] of points.slice(1).entries()) {
      const from = points[index]!;
      const steps = Math.ceil((Math.hypot(to.x - from.x, to.y - from.y) * drawnAt) / 2) + 1;
      for (let step = 0; step <= steps; step += 1)
        disc(
          { x: from.x + ((to.x - from.x) * step) / steps, y: from.y + ((to.y - from.y) * step) / steps },
          size,
          colour,
        );
    }
  };
  if (side === 'back') for (const track of tracks) along(track, radius.track, colours.copper);
  for (const hole of holes) {
    disc(hole, radius.pad, colours.ring);
    disc(hole, radius.hole, colours.hole);
  }
  if (side === 'front')
    for (const body of bodies) {
      const [first, last] = [body[0]!, body[body.length - 1]!];
      const inset = (share: number): Point => ({
        x: first.x + (last.x - first.x) * share,
        y: first.y + (last.y - first.y) * share,
      });
      along([inset(0.25), inset(0.75)], radius.body, colours.body);
    }
  return planes;
}
