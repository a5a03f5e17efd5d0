import { lineThrough } from '../statistics';
import { type Plane, type Point, sampled } from '../plane';

/** A crossing to a fraction of a line. */
export interface Refined extends Point {
  /** Standard deviation of the place, in pixels, from how the pieces of its lines scatter. */
  readonly error: number;
  /** Share of the pieces of its two lines that could be read. */
  readonly read: number;
  /** How much its lines stand out, as a share of full white. */
  readonly contrast: number;
}

/** Pieces of a line are read at these distances from the crossing, as shares of a cell. */
const distances = [0.15, 0.19, 0.23, 0.27, 0.31, 0.35, 0.39, 0.43];
/** A line is looked for within this share of a cell to either side. */
const reach = 0.17;
/** A piece stands out by less: there is no line. */
const leastContrast = 0.01;
/** A piece is none of the line where it stands out less than this share of the others. */
const faint = 0.45;

/** A crossing that moves by less, in pixels, from one round to the next is found. */
const settledWithin = 0.1;

interface Piece {
  readonly at: number;
  /** Distance from the straight way through the crossing, in pixels. */
  readonly off: number;
  readonly contrast: number;
}

/** Where the middle of a line lies along a cut, from -half to half; undefined where none stands out. */
function middleOf(plane: Plane, centre: Point, way: Point, half: number): Omit<Piece, 'at'> | undefined {
  const steps = Math.max(8, Math.round(half * 2));
  const profile = Array.from({ length: 2 * steps + 1 }, (_, i) => {
    const off = ((i - steps) / steps) * half;
    return { off, light: sampled(plane, centre.x + off * way.x, centre.y + off * way.y) };
  });
  const ordered = profile.map(({ light }) => light).sort((a, b) => a - b);
  const ground = ordered[Math.floor(ordered.length * 0.35)]!;
  const contrast = ordered.at(-1)! - ground;
  if (contrast < leastContrast) return undefined;
  let middle = profile.reduce((best, one) => (one.light > best.light ? one : best)).off;
  // Twice about the middle found before, in a window that the ends of the cut do not cut off.
  for (const window of [0.6 * half, 0.5 * half, 0.5 * half]) {
    let [sum, moment] = [0, 0];
    for (const { off, light } of profile) {
      const weight = Math.max(0, light - ground - 0.25 * contrast) * Math.max(0, 1 - ((off - middle) / window) ** 2);
      sum += weight;
      moment += weight * off;
    }
    if (sum <= 0) return undefined;
    middle = moment / sum;
  }
  return Math.abs(middle) > 0.85 * half ? undefined : { off: middle, contrast };
}

/** The line through a crossing in a direction: where it lies beside the crossing, and how surely. */
function lineAt(plane: Plane, centre: Point, along: Point, aside: Point) {
  const length = Math.hypot(aside.x, aside.y);
  const way = { x: aside.x / length, y: aside.y / length };
  const all = [-1, 1].flatMap((side) =>
    distances.flatMap((share): Piece[] => {
      const at = side * share;
      const found = middleOf(plane, { x: centre.x + at * along.x, y: centre.y + at * along.y }, way, reach * length);
      return found ? [{ at, ...found }] : [];
    }),
  );
  const ordered = all.map(({ contrast }) => contrast).sort((a, b) => a - b);
  // Beyond the end of a line there is only noise.
  const bright = ordered[Math.floor(ordered.length * 0.75)] ?? 0;
  const pieces = all.filter(({ contrast }) => contrast > faint * bright);
  if (pieces.length < 4) return undefined;
  const fit = robustLine(pieces);
  return {
    off: fit.at(0),
    slope: fit.slope,
    way,
    error: fit.spread * Math.sqrt(1 / pieces.length + fit.lever),
    read: pieces.length / (2 * distances.length),
    contrast: pieces.reduce((sum, { contrast }) => sum + contrast, 0) / pieces.length,
  };
}

/** A straight line through pieces of which a few may be wrong. */
function robustLine(pieces: readonly Piece[]) {
  let kept = pieces;
  let fit = lineThrough(kept.map(({ at, off }) => [at, off]));
  for (let round = 0; round < 2; round += 1) {
    const misses = pieces.map(({ at, off }) => Math.abs(off - fit.at(at)));
    const usual = [...misses].sort((a, b) => a - b)[Math.floor(misses.length / 2)]! + 0.05;
    const near = pieces.filter((_, i) => misses[i]! <= 3 * usual);
    if (near.length < 4) break;
    kept = near;
    fit = lineThrough(kept.map(({ at, off }) => [at, off]));
  }
  const middle = kept.reduce((sum, { at }) => sum + at, 0) / kept.length;
  const square = kept.reduce((sum, { at }) => sum + (at - middle) ** 2, 0);
  const spread = Math.sqrt(fit.error / Math.max(1, kept.length - 2)) + 0.02;
  return { at: fit.at, slope: fit.slope, spread, lever: square > 0 ? middle ** 2 / square : 1 };
}

/**
 * A crossing to a fraction of a line: pieces of its upright and its level line are read on both sides of it, and the two
 * straight lines through them crossed.
 *
 * @param right step to the next crossing to the right, in pixels; `below` to the next below
 */
export function refined(plane: Plane, about: Point, right: Point, below: Point): Refined | undefined {
  let centre = about;
  let answer: Refined | undefined;
  for (let round = 0; round < 3; round += 1) {
    const upright = lineAt(plane, centre, below, right);
    const level = lineAt(plane, centre, right, below);
    if (!upright || !level) return undefined;
    // upright: centre + t·below + (off + slope·t)·way; level: centre + s·right + (off + slope·s)·way
    const [ax, ay] = [below.x + upright.slope * upright.way.x, below.y + upright.slope * upright.way.y];
    const [bx, by] = [right.x + level.slope * level.way.x, right.y + level.slope * level.way.y];
    const [cx, cy] = [
      level.off * level.way.x - upright.off * upright.way.x,
      level.off * level.way.y - upright.off * upright.way.y,
    ];
    const turn = ax * by - ay * bx;
    if (Math.abs(turn) < 1e-9) return undefined;
    const t = (cx * by - cy * bx) / turn;
    const moved = { x: t * ax + upright.off * upright.way.x, y: t * ay + upright.off * upright.way.y };
    centre = { x: centre.x + moved.x, y: centre.y + moved.y };
    answer = {
      ...centre,
      error: Math.hypot(upright.error, level.error),
      read: Math.min(upright.read, level.read),
      contrast: Math.min(upright.contrast, level.contrast),
    };
    if (Math.hypot(moved.x, moved.y) < settledWithin) break;
  }
  return answer;
}
