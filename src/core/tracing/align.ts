import { mean } from '../statistics';
import { distanceOf, type Point, type PointPair, pairsNeeded, Projection } from '../plane';

/** How the second photograph lies on the first. */
export interface Alignment {
  /** From the second photograph onto the first; a back is turned over by it. */
  readonly projection: Projection;
  /** The holes it goes by. */
  readonly holes: number;
  /** How far they still lie apart, as a share of the board’s width (root mean square); of four holes, nothing. */
  readonly apart: number | undefined;
  /** Shown holes that it does not go by: they lie further apart than all others allow. */
  readonly leftOut: number;
}

/**
 * The alignment of the two photographs; undefined as long as too few holes were shown on both.
 *
 * @param found holes that both photographs show, the shown ones that suit them among them; go before those shown alone
 */
export function alignmentOf(shown: readonly PointPair[], found: readonly PointPair[] = []): Alignment | undefined {
  if (shown.length < pairsNeeded) return undefined;
  const holes = found.length > 0 ? found : shown;
  const projection = Projection.through(holes);
  return {
    projection,
    holes: holes.length,
    apart:
      holes.length > pairsNeeded
        ? Math.sqrt(mean(holes.map(({ seen, lies }) => distanceOf(projection.at(seen), lies) ** 2)))
        : undefined,
    leftOut: shown.filter(({ seen }) => holes.every((pair) => distanceOf(pair.seen, seen) > 0)).length,
  };
}

/** Three points are in a row if their triangle is flatter than this, in squares of the width. */
const flattest = 0.01;

/** Does one of three points lie between the others, more or less? */
function inARow(a: Point, b: Point, c: Point): boolean {
  return Math.abs((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)) < flattest;
}

/** Would a point settle nothing beside those that are there, as long as they are fewer than four? */
export function settlesNothing(point: Point, others: readonly Point[]): boolean {
  if (others.length >= pairsNeeded) return false;
  if (others.length === 1) return distanceOf(point, others[0]!) ** 2 < flattest;
  return others.some((a, index) => others.slice(index + 1).some((b) => inARow(a, b, point)));
}
