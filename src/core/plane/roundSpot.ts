import { type Plane } from './raster';
import { type Point } from './point';

/** The middle is looked for anew about the one that was found, within these shares of the reach. */
const rounds = [1, 0.75, 0.6, 0.6];
/** Gradients weaker than this share of the strongest are no edge. */
const faint = 0.15;

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
    if (!found || Math.hypot(found.x - near.x, found.y - near.y) > reach) return undefined;
    at = found;
  }
  return at;
}

function meetingOf({ width, height, values }: Plane, about: Point, reach: number): Point | undefined {
  const edges: { x: number; y: number; gx: number; gy: number; strength: number }[] = [];
  const [left, right] = [Math.max(1, Math.round(about.x - reach)), Math.min(width - 2, Math.round(about.x + reach))];
  const [top, bottom] = [Math.max(1, Math.round(about.y - reach)), Math.min(height - 2, Math.round(about.y + reach))];
  for (let y = top; y <= bottom; y += 1)
    for (let x = left; x <= right; x += 1) {
      if (Math.hypot(x - about.x, y - about.y) > reach) continue;
      const at = y * width + x;
      const gx = values[at + 1]! - values[at - 1]!;
      const gy = values[at + width]! - values[at - width]!;
      edges.push({ x, y, gx, gy, strength: Math.hypot(gx, gy) });
    }
  const strongest = Math.max(0, ...edges.map(({ strength }) => strength));
  // Sums of the normal equations of the point that lies nearest to all normals.
  let [xx, xy, yy, bx, by] = [0, 0, 0, 0, 0];
  for (const { x, y, gx, gy, strength } of edges) {
    if (strength <= faint * strongest) continue;
    const weight = (strength * strength) / (1 + Math.hypot(x - about.x, y - about.y));
    const [nx, ny] = [-gy / strength, gx / strength];
    const along = nx * x + ny * y;
    xx += weight * nx * nx;
    xy += weight * nx * ny;
    yy += weight * ny * ny;
    bx += weight * nx * along;
    by += weight * ny * along;
  }
  const determinant = xx * yy - xy * xy;
  // Edges of one direction alone, as of a track or the rim of a board, have no middle.
  if (!(determinant > 0.05 * (xx + yy) ** 2)) return undefined;
  return { x: (yy * bx - xy * by) / determinant, y: (xx * by - xy * bx) / determinant };
}
