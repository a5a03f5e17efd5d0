import { type Point, Projection } from '../plane';
import { Refusal } from '../quantity';

/** Four corners of the glass in a picture, in pixels: top left, top right, bottom right, bottom left. */
export type Corners = readonly [Point, Point, Point, Point];

/** Its corners on the flat of the screen, in their order. */
const glass: readonly Point[] = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];

/** @throws Refusal where the corners do not go round once */
function projectionOf(corners: Corners): Projection {
  const turns = corners.map((here, i) => {
    const [next, after] = [corners[(i + 1) % 4]!, corners[(i + 2) % 4]!];
    return Math.sign((next.x - here.x) * (after.y - next.y) - (next.y - here.y) * (after.x - next.x));
  });
  if (turns.some((turn) => turn !== 1))
    throw new Refusal('the corners of the screen go clockwise: top left, top right, bottom right, bottom left');
  return Projection.through(corners.map((seen, i) => ({ seen, lies: glass[i]! })));
}

/**
 * The way from a picture to the flat of the screen: across 0 to 1 from left to right, down 0 to 1 from top to bottom
 * (a projective map through four points).
 *
 * @throws Refusal where the corners do not go round once
 */
export function screenOf(corners: Corners): (point: Point) => Point {
  const projection = projectionOf(corners);
  return (point) => projection.at(point);
}

/**
 * The way back: where a place of the screen lies in the picture.
 *
 * @throws Refusal where the corners do not go round once
 */
export function pictureOf(corners: Corners): (point: Point) => Point {
  const projection = projectionOf(corners).back();
  return (point) => projection.at(point);
}
