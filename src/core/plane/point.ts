/** A place in a plane: x to the right, y down. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** How far two points lie apart. */
export const distanceOf = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);
