import { mean } from 'simple-statistics';
import { sumOf } from './sum';

/** The straight line of least squares through some points. */
export interface LineFit {
  readonly slope: number;
  /** Where it stands at an `x`. */
  at(x: number): number;
  /** Sum of the squares by which the points miss it. */
  readonly error: number;
  /** Standard deviation of the slope, from how the points miss it. */
  readonly slopeError: number;
}

/** Below this sum of squares all points stand one over the other, and the line is level. */
const narrow = 1e-15;

/**
 * @param points `[x, y]`, at least one
 */
export function lineThrough(points: readonly (readonly [number, number])[]): LineFit {
  const [middle, height] = [mean(points.map(([x]) => x)), mean(points.map(([, y]) => y))];
  const square = sumOf(points, ([x]) => (x - middle) ** 2);
  const slope = square > narrow ? sumOf(points, ([x, y]) => (x - middle) * (y - height)) / square : 0;
  const at = (x: number) => height + slope * (x - middle);
  const error = sumOf(points, ([x, y]) => (y - at(x)) ** 2);
  return { slope, at, error, slopeError: Math.sqrt(error / (points.length - 2) / square) };
}
