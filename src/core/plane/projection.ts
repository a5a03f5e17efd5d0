import { inverse, Matrix, solve } from 'ml-matrix';
import { type Point } from './point';

/** Two places that are one: where it is seen, and where it lies. */
export interface PointPair {
  readonly seen: Point;
  readonly lies: Point;
}

/** So many pairs settle a projection. */
export const pairsNeeded = 4;

/**
 * The map of one flat thing onto another as a camera makes it (a homography): straight lines stay straight.
 * Its nine figures stand row by row, the last is 1: x′ = (h₀x + h₁y + h₂) / (h₆x + h₇y + 1), y′ likewise.
 */
export class Projection {
  constructor(readonly figures: readonly number[]) {}

  /** The projection that suits some pairs best, in least squares of the figures’ equations; exact for four. */
  static through(pairs: readonly PointPair[]): Projection {
    const rows = pairs.flatMap(({ seen: { x, y }, lies: { x: u, y: v } }) => [
      [x, y, 1, 0, 0, 0, -u * x, -u * y],
      [0, 0, 0, x, y, 1, -v * x, -v * y],
    ]);
    const right = Matrix.columnVector(pairs.flatMap(({ lies }) => [lies.x, lies.y]));
    return new Projection([...solve(new Matrix(rows), right, pairs.length > pairsNeeded).to1DArray(), 1]);
  }

  /** Where a point of the one lies on the other. */
  at({ x, y }: Point): Point {
    const h = this.figures;
    const depth = h[6]! * x + h[7]! * y + h[8]!;
    return { x: (h[0]! * x + h[1]! * y + h[2]!) / depth, y: (h[3]! * x + h[4]! * y + h[5]!) / depth };
  }

  /** The way back. */
  back(): Projection {
    const { figures } = this;
    const rows = [figures.slice(0, 3), figures.slice(3, 6), figures.slice(6)];
    const all = inverse(new Matrix(rows)).to1DArray();
    return new Projection(all.map((figure) => figure / all[8]!));
  }
}
