import { Matrix, solve } from 'ml-matrix';
import { Refusal } from '../quantity';
import { type Point } from './plane';

/** Four corners of the glass in a picture, in pixels: top left, top right, bottom right, bottom left. */
export type Corners = readonly [Point, Point, Point, Point];

/**
 * The way from a picture to the flat of the screen: across 0 to 1 from left to right, down 0 to 1 from top to bottom
 * (a projective map through four points).
 *
 * @throws Refusal where the corners do not go round once
 */
export function screenOf(corners: Corners): (point: Point) => Point {
  const turns = corners.map((here, i) => {
    const [next, after] = [corners[(i + 1) % 4]!, corners[(i + 2) % 4]!];
    return Math.sign((next.x - here.x) * (after.y - next.y) - (next.y - here.y) * (after.x - next.x));
  });
  if (turns.some((turn) => turn !== 1))
    throw new Refusal('the corners of the screen go clockwise: top left, top right, bottom right, bottom left');
  const wanted = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ] as const;
  const rows = corners.flatMap(({ x, y }, i) => {
    const [u, v] = wanted[i]!;
    return [
      [x, y, 1, 0, 0, 0, -u * x, -u * y],
      [0, 0, 0, x, y, 1, -v * x, -v * y],
    ];
  });
  const h = solve(new Matrix(rows), Matrix.columnVector(wanted.flat())).to1DArray();
  return ({ x, y }) => {
    const depth = h[6]! * x + h[7]! * y + 1;
    return { x: (h[0]! * x + h[1]! * y + h[2]!) / depth, y: (h[3]! * x + h[4]! * y + h[5]!) / depth };
  };
}
