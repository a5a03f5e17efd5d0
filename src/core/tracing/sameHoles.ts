import {
  distanceOf,
  meanOf,
  type PointPair,
  pairsNeeded,
  planesOf,
  type Plane,
  type Point,
  Projection,
  type Raster,
  roundSpots,
} from '../plane';
import { quantile } from '../statistics';

/** Half the size of the largest holes and pads, as a share of the photograph’s width. */
const reach = 0.012;
/** How far a hole of one side may lie from the same hole of the other by what was shown, as a share of the width. */
const shownApart = 0.012;
/** Pairs that lie further apart than this many times the median are two holes, not one. */
const outlying = 3;
/** The median is taken for at least this much, as a share of the width: half a pixel. */
const leastMedian = 0.0004;
/** Fewer pairs than these are chance. */
const fewest = 8;
const rounds = 4;

/**
 * Holes that are seen on both photographs of a board: round things of the one that lie on round things of the other,
 * each the nearest of the other, as far as one projection suits them, and those of the shown ones that it suits.
 *
 * @param shown pairs of the second photograph (`seen`) and the first (`lies`), in shares of the width; four or more
 * @returns nothing where too few suit
 */
export function sameHoles(first: Raster, second: Raster, shown: readonly PointPair[]): readonly PointPair[] {
  if (shown.length < pairsNeeded) return [];
  const [here, there] = [spotsOf(first), spotsOf(second)];
  let projection = startOf(here, there, shown);
  let pairs: readonly PointPair[] = [];
  let within = shownApart;
  for (let round = 0; round < rounds; round += 1) {
    pairs = nearestEachOther(there, here, projection, within);
    if (pairs.length < fewest) return [];
    const all = [...shown.filter((pair) => apartBy(projection, pair) <= within), ...pairs];
    projection = Projection.through(all);
    const apart = all.map((pair) => apartBy(projection, pair));
    within = Math.min(within, outlying * Math.max(leastMedian, quantile(apart, 0.5)));
  }
  const suiting = shown.filter((pair) => apartBy(projection, pair) <= within);
  const isShown = ({ seen }: PointPair) => suiting.some((pair) => distanceOf(pair.seen, seen) < reach / 2);
  return [...suiting, ...pairs.filter((pair) => !isShown(pair))];
}

/** The projection of all that were shown, or of all but one of them, whichever lays most holes on one another. */
function startOf(here: readonly Point[], there: readonly Point[], shown: readonly PointPair[]): Projection {
  const without = shown.length > pairsNeeded ? shown.map((left) => shown.filter((pair) => pair !== left)) : [];
  const starts = [shown, ...without].map((pairs) => Projection.through(pairs));
  const counts = starts.map((start) => nearestEachOther(there, here, start, shownApart / 2).length);
  return starts[counts.indexOf(Math.max(...counts))]!;
}

const apartBy = (projection: Projection, { seen, lies }: PointPair): number => distanceOf(projection.at(seen), lies);

/** What is round on a photograph, in shares of its width. */
function spotsOf(picture: Raster): readonly Point[] {
  const { red, green, blue } = planesOf(picture);
  const plane: Plane = meanOf([red, green, blue]);
  return roundSpots(plane, reach * plane.width).map(({ x, y }) => ({ x: x / plane.width, y: y / plane.width }));
}

/** Pairs of which each is the nearest of the other, as the projection lays them. */
function nearestEachOther(
  seen: readonly Point[],
  lying: readonly Point[],
  projection: Projection,
  within: number,
): readonly PointPair[] {
  const laid = seen.map((point) => projection.at(point));
  const nearest = (to: Point, among: readonly Point[]) => {
    let best = -1;
    let far = within;
    for (const [index, point] of among.entries()) {
      const distance = distanceOf(to, point);
      if (distance < far) [best, far] = [index, distance];
    }
    return best;
  };
  return laid.flatMap((point, index) => {
    const lies = nearest(point, lying);
    return lies >= 0 && nearest(lying[lies]!, laid) === index ? [{ seen: seen[index]!, lies: lying[lies]! }] : [];
  });
}
