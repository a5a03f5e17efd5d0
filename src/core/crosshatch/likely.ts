import { blurred, type Plane, type Point } from '../plane';

/** A place that looks like a crossing of two lines. */
export interface Candidate extends Point {
  /** How bright the weaker of its two lines stands out, against what lies around it. */
  readonly strength: number;
}

/** Size of a cell of the pattern, in pixels. */
export interface Cell {
  readonly across: number;
  readonly down: number;
}

/** How much an upright or a level line stands out at each pixel. */
function lineness(plane: Plane, reach: number, aside: number, upright: boolean): Float32Array {
  const { width, height } = plane;
  const thin = Math.max(1, Math.round(aside / 5));
  const { values } = upright ? blurred(plane, thin, reach) : blurred(plane, reach, thin);
  const out = new Float32Array(values.length);
  const step = upright ? aside : aside * width;
  const margin = upright ? [aside, 0] : [0, aside];
  for (let y = margin[1]!; y < height - margin[1]!; y += 1)
    for (let x = margin[0]!; x < width - margin[0]!; x += 1) {
      const at = y * width + x;
      out[at] = Math.max(0, values[at]! - Math.max(values[at - step]!, values[at + step]!));
    }
  return out;
}

/** Size of a cell, from where lines of any direction stand out. */
export function cellOf(plane: Plane, across: number, down: number): Cell | undefined {
  const { width, height } = plane;
  const aside = Math.max(3, Math.round(width / across / 5));
  const upright = lineness(plane, aside, aside, true);
  const level = lineness(plane, aside, aside, false);
  const profile = (length: number, index: (at: number) => number) => {
    const sums = new Float64Array(length);
    for (let at = 0; at < upright.length; at += 1)
      sums[index(at)]! += Math.min(upright[at]!, 0.3) * Math.min(level[at]!, 0.3);
    return spanOf(sums);
  };
  const wide = profile(width, (at) => at % width);
  const high = profile(height, (at) => Math.floor(at / width));
  return wide && high ? { across: wide / (across - 1), down: high / (down - 1) } : undefined;
}

/** Length over which nearly all of a sum is spread. */
function spanOf(sums: Float64Array): number | undefined {
  const all = sums.reduce((sum, one) => sum + one, 0);
  if (all <= 0) return undefined;
  const reached = (share: number) => {
    let sum = 0;
    return sums.findIndex((one) => (sum += one) >= share * all);
  };
  const [from, to] = [reached(0.015), reached(0.985)];
  return to - from > 20 ? to - from : undefined;
}

/** Weaker than this share of what is usual, it is none. */
const leastShare = 0.22;
/** A hair of light that is nowhere near a line, as a share of full white. */
const least = 0.004;

/** The places where an upright and a level line stand out, the strongest first. */
export function candidatesIn(plane: Plane, cell: Cell, count: number): Candidate[] {
  const { width, height } = plane;
  const aside = {
    across: Math.max(3, Math.round(cell.across * 0.17)),
    down: Math.max(3, Math.round(cell.down * 0.17)),
  };
  const upright = lineness(plane, Math.round(cell.down * 0.3), aside.across, true);
  const level = lineness(plane, Math.round(cell.across * 0.3), aside.down, false);
  const both = new Float32Array(upright.length);
  for (let at = 0; at < both.length; at += 1) both[at] = Math.min(upright[at]!, level[at]!);
  const smooth = blurred({ width, height, values: both }, 1, 1).values;
  const radius = { x: Math.round(cell.across * 0.3), y: Math.round(cell.down * 0.3) };
  const floor = Math.max(least, 0.05 * highest(smooth));
  const found: Candidate[] = [];
  for (let y = 2; y < height - 2; y += 1)
    for (let x = 2; x < width - 2; x += 1) {
      const here = smooth[y * width + x]!;
      if (here < floor || !isPeak(smooth, width, height, x, y)) continue;
      found.push({ x, y, strength: here });
    }
  found.sort((a, b) => b.strength - a.strength);
  const kept: Candidate[] = [];
  for (const one of found) {
    if (kept.length >= 4 * count) break;
    if (kept.some(({ x, y }) => Math.abs(x - one.x) < radius.x && Math.abs(y - one.y) < radius.y)) continue;
    kept.push(one);
  }
  const usual = kept[Math.min(kept.length - 1, Math.floor(count / 2))]?.strength ?? 0;
  return kept.filter(({ strength }) => strength > leastShare * usual);
}

function highest(values: Float32Array): number {
  let most = 0;
  for (const value of values) most = Math.max(most, value);
  return most;
}

function isPeak(values: Float32Array, width: number, height: number, x: number, y: number): boolean {
  const here = values[y * width + x]!;
  for (let dy = -1; dy <= 1; dy += 1)
    for (let dx = -1; dx <= 1; dx += 1)
      if ((dx !== 0 || dy !== 0) && values[(y + dy) * width + x + dx]! > here) return false;
  return y > 0 && y < height - 1;
}
