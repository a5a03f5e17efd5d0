import { type Plane } from './raster';
import { distanceOf, type Point } from './point';

/** The middle is looked for anew about the one that was found, within these shares of the reach. */
const rounds = [1, 0.75, 0.6, 0.6];
/** Gradients weaker than this share of the strongest are no edge. */
const faint = 0.15;

/** Normals of a round thing pass its middle by no more than this share of the reach, on average. */
const roundest = 0.16;
/** Its edges stand out by at least this much, of full white. */
const leastEdge = 0.08;
/** Two that lie nearer than this share of the reach are one. */
const one = 0.5;

/**
 * The middle of a round thing, dark or bright, near a place: where the normals of its edges meet, in least squares,
 * the stronger edges and those nearer by for more (radial symmetry centre, Parthasarathy 2012).
 *
 * @param reach how far from the place it may lie, in pixels
 * @returns undefined where nothing round lies there
 */
export function roundSpotNear(plane: Plane, near: Point, reach: number): Point | undefined {
  let at = near;
  for (const share of rounds) {
    const found = meetingOf(plane, at, share * reach);
    if (!found || distanceOf(found, near) > reach) return undefined;
    at = { x: found.x, y: found.y };
  }
  return at;
}

/**
 * The middles of all that is round in a plane and stands out: holes, pads, joints.
 *
 * @param reach half the size of the largest of them, in pixels
 */
export function roundSpots(plane: Plane, reach: number): readonly Point[] {
  const found: Point[] = [];
  for (let y = reach; y < plane.height - reach; y += reach)
    for (let x = reach; x < plane.width - reach; x += reach) {
      const spot = roundSpotNear(plane, { x, y }, reach);
      if (!spot || found.some((other) => distanceOf(other, spot) < one * reach)) continue;
      const meeting = meetingOf(plane, spot, 0.6 * reach);
      if (meeting && meeting.apart < roundest * reach && meeting.strongest > leastEdge) found.push(spot);
    }
  return found;
}

/** Where the normals of the edges about a place meet. */
interface Meeting extends Point {
  /** How far the normals pass it by, root mean square, in pixels. */
  readonly apart: number;
  /** The steepest edge: how far two pixels on its two sides differ. */
  readonly strongest: number;
}

/** @returns undefined where all edges run one way */
function meetingOf({ width, height, values }: Plane, about: Point, reach: number): Meeting | undefined {
  const [left, right] = [Math.max(1, Math.round(about.x - reach)), Math.min(width - 2, Math.round(about.x + reach))];
  const [top, bottom] = [Math.max(1, Math.round(about.y - reach)), Math.min(height - 2, Math.round(about.y + reach))];
  const slope = (at: number, stride: number) => values[at + stride]! - values[at - stride]!;
  let steepest = 0;
  // Sums of the normal equations of the point that lies nearest to all normals; twice through the same pixels, since
  // what is faint is told by the steepest edge.
  let [xx, xy, yy, bx, by, squares] = [0, 0, 0, 0, 0, 0];
  for (const summing of [false, true])
    for (let y = top; y <= bottom; y += 1)
      for (let x = left; x <= right; x += 1) {
        const far = (x - about.x) ** 2 + (y - about.y) ** 2;
        if (far > reach * reach) continue;
        const at = y * width + x;
        const [gx, gy] = [slope(at, 1), slope(at, width)];
        const steep = gx * gx + gy * gy;
        if (!summing) {
          steepest = Math.max(steepest, steep);
          continue;
        }
        if (steep <= faint * faint * steepest) continue;
        const weight = 1 / (1 + Math.sqrt(far));
        const along = gx * y - gy * x;
        xx += weight * gy * gy;
        xy -= weight * gx * gy;
        yy += weight * gx * gx;
        bx -= weight * gy * along;
        by += weight * gx * along;
        squares += weight * along * along;
      }
  const determinant = xx * yy - xy * xy;
  // Edges of one direction alone, as of a track or the rim of a board, have no middle.
  if (!(determinant > 0.05 * (xx + yy) ** 2)) return undefined;
  const [x, y] = [(yy * bx - xy * by) / determinant, (xx * by - xy * bx) / determinant];
  const apart = Math.sqrt(Math.max(0, squares - bx * x - by * y) / (xx + yy));
  return { x, y, apart, strongest: Math.sqrt(steepest) };
}
