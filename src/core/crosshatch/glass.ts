import { Matrix, solve } from 'ml-matrix';
import { mean, standardDeviation } from '../statistics';
import { meanOf, type Plane, planesOf, type Point, type Raster, sampled } from '../plane';
import { certain, type Crossing, type Pattern } from './find';
import { smoothMap } from './lattice';
import { type Corners } from './rectify';

/** The edge of the glass is looked for so far beyond the outer line, in cells: from where the line itself ends. */
const from = 0.13;
const upTo = 1.8;
/** Between two upright lines the edge is looked for at these places, in cells: the lines themselves are kept away from. */
const between = [0.35, 0.5, 0.65];
/** So much of a cell to each side of such a place is seen as one. */
const broad = 0.12;
/** A step is the light of so much of a cell on one side of it against as much on the other. */
const stepOver = 0.07;
/** Ends of an edge are tried so far apart, in cells. */
const apartBy = 0.03;
/** An edge is one along which the light changes by this share of full white at least, the same way on this share of all ways. */
const leastStep = 0.008;
const alikeOn = 0.75;
/** An edge is as strong all along: its mean step is so many times what the steps scatter by. */
const steady = 2.5;
/** Once an edge is found, its bow is taken from where each way crosses it, within so much of a cell. */
const onEdge = 0.09;

/** An edge: how far beside its chord it lies, by how far along. */
interface Edge {
  readonly start: Point;
  readonly along: Point;
  readonly aside: Point;
  readonly bow: readonly [number, number, number];
}

/** Ways from the outer line of one side outwards, each with its origin and the step of one cell. */
interface Way {
  readonly origin: Point;
  readonly out: Point;
}

const away = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);
const less = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
const dot = (a: Point, b: Point) => a.x * b.x + a.y * b.y;

/**
 * The corners of the glass in a photograph of a crosshatch: where the light changes all along the four sides, beyond the outer
 * lines. Undefined where it does not, as in the dark or where the frame is as bright as the glass; then they are clicked.
 *
 * @param crossings as `findCrossings` gives them for that picture
 */
export function glassCorners(
  picture: Raster,
  crossings: readonly Crossing[],
  { across, down }: Pattern,
): Corners | undefined {
  const planes = planesOf(picture);
  const all = meanOf([planes.red, planes.green, planes.blue]);
  const sure = crossings.flatMap(({ row, column, x, y, certainty }) =>
    certainty >= certain
      ? [{ row, column, x: (x + 0.5) / planes.factor - 0.5, y: (y + 0.5) / planes.factor - 0.5 }]
      : [],
  );
  if (sure.length < (across * down) / 2) return undefined;
  const at = smoothMap(sure, down, across);
  const places = (lines: number) =>
    Array.from({ length: lines - 1 }, (_, cell) => between.map((share) => cell + share)).flat();
  const way = (origin: Point, inner: Point): Way => ({ origin, out: less(origin, inner) });
  const sides: readonly Way[][] = [
    places(across).map((column) => way(at(0, column), at(1, column))),
    places(down).map((row) => way(at(row, across - 1), at(row, across - 2))),
    places(across).map((column) => way(at(down - 1, column), at(down - 2, column))),
    places(down).map((row) => way(at(row, 0), at(row, 1))),
  ];
  const edges = sides.flatMap((ways) => edgeAcross(all, ways) ?? []);
  if (edges.length < 4) return undefined;
  const [top, right, bottom, left] = edges as [Edge, Edge, Edge, Edge];
  const corners = [meeting(left, top), meeting(top, right), meeting(right, bottom), meeting(bottom, left)];
  const inPicture = corners.map(({ x, y }) => ({
    x: (x + 0.5) * planes.factor - 0.5,
    y: (y + 0.5) * planes.factor - 0.5,
  }));
  return inPicture.every(({ x, y }) => x >= 0 && y >= 0 && x < picture.width && y < picture.height)
    ? (inPicture as unknown as Corners)
    : undefined;
}

/** How much brighter it is outside than inside at a distance from the outer line, in cells; NaN where that cannot be said. */
type Change = (far: number) => number;

/** How the light changes along one way. */
function changesAlong(plane: Plane, { origin, out }: Way): Change {
  const cell = Math.hypot(out.x, out.y);
  const aside = { x: -out.y, y: out.x };
  const apart = Math.max(2, Math.round(stepOver * cell));
  const lights: number[] = [];
  for (let far = from * cell; far <= upTo * cell; far += 1) {
    const middle = { x: origin.x + (far / cell) * out.x, y: origin.y + (far / cell) * out.y };
    if (middle.x < 0 || middle.y < 0 || middle.x >= plane.width || middle.y >= plane.height) break;
    const seen = [-1, -0.5, 0, 0.5, 1].map((share) =>
      sampled(plane, middle.x + share * broad * aside.x, middle.y + share * broad * aside.y),
    );
    lights.push(mean(seen));
  }
  const over = (start: number) => mean(lights.slice(start, start + apart));
  const changes = lights.map((_, i) => {
    if (i < apart || i + 2 * apart > lights.length) return NaN;
    const [near, beyond, outer] = [over(i - apart), over(i), over(i + apart)];
    // The glow of the line fades evenly: what fades as much before and behind is no step.
    if (i >= 2 * apart) return beyond - near - (near - over(i - 2 * apart) + (outer - beyond)) / 2;
    const rises = beyond - near - (outer - beyond);
    return rises > 0 ? rises : NaN;
  });
  return (far) => changes[Math.round((far - from) * cell + 0.5)] ?? NaN;
}

/** The edge along which the light changes most; undefined where it changes along none. */
function edgeAcross(plane: Plane, ways: readonly Way[]): Edge | undefined {
  const changes = ways.map((way) => changesAlong(plane, way));
  const [first, last] = [ways[0]!, ways[ways.length - 1]!];
  let best: { readonly size: number; readonly fars: readonly number[] } | undefined;
  for (let start = from; start < upTo; start += apartBy)
    for (let end = from; end < upTo; end += apartBy) {
      const [a, b] = [placeOn(first, start), placeOn(last, end)];
      const fars = ways.map((way) => crossingOf(way, a, b));
      const seen = fars.map((far, i) => changes[i]!(far));
      const known = seen.filter((change) => !Number.isNaN(change));
      if (known.length < alikeOn * ways.length) continue;
      const change = mean(known);
      const size = Math.abs(change);
      if (size < Math.max(leastStep, best?.size ?? 0)) continue;
      if (known.filter((one) => one * change > 0).length >= alikeOn * ways.length) best = { size, fars };
    }
  if (!best) return undefined;
  const steps = ways.map((way, i) => stepNear(changes[i]!, best.fars[i]!));
  const lights = steps.map(({ light }) => light);
  if (Math.abs(mean(lights)) < steady * standardDeviation(lights)) return undefined;
  return edgeThrough(ways.map((way, i) => placeOn(way, steps[i]!.far)));
}

const placeOn = ({ origin, out }: Way, far: number): Point => ({
  x: origin.x + far * out.x,
  y: origin.y + far * out.y,
});

/** How far along a way it crosses the straight line from `a` to `b`, in cells. */
function crossingOf({ origin, out }: Way, a: Point, b: Point): number {
  const aside = { x: a.y - b.y, y: b.x - a.x };
  return dot(less(a, origin), aside) / dot(out, aside);
}

/** Where near a place the light changes most, in cells, and by how much. */
function stepNear(change: Change, about: number): { readonly far: number; readonly light: number } {
  let [weights, moment, light] = [0, 0, 0];
  for (let far = about - onEdge; far <= about + onEdge; far += apartBy / 3) {
    const here = change(far) || 0;
    weights += here ** 2;
    moment += here ** 2 * far;
    if (Math.abs(here) > Math.abs(light)) light = here;
  }
  return { far: weights > 0 ? moment / weights : about, light };
}

/** The bowed line that lies nearest to some steps (least squares). */
function edgeThrough(steps: readonly Point[]): Edge {
  const [start, end] = [steps[0]!, steps[steps.length - 1]!];
  const length = away(start, end);
  const along = { x: (end.x - start.x) / length, y: (end.y - start.y) / length };
  const aside = { x: -along.y, y: along.x };
  const rows = steps.map((step) => {
    const far = dot(less(step, start), along) / length;
    return [1, far, far * far];
  });
  const found = solve(
    new Matrix(rows),
    Matrix.columnVector(steps.map((step) => dot(less(step, start), aside))),
    true,
  ).to1DArray();
  return {
    start,
    along,
    aside,
    bow: [found[0]!, found[1]! / length, found[2]! / length ** 2],
  };
}

function besideEdge({ start, along, aside, bow: [level, slope, bend] }: Edge, point: Point): number {
  const far = dot(less(point, start), along);
  return dot(less(point, start), aside) - (level + slope * far + bend * far * far);
}

/** Where two edges meet (Newton’s method from where their chords meet). */
function meeting(a: Edge, b: Edge): Point {
  let point: Point = b.start;
  for (let round = 0; round < 8; round += 1) {
    const [first, second] = [a, b].map(({ start, along, aside, bow: [, slope, bend] }) => {
      const steep = slope + 2 * bend * dot(less(point, start), along);
      return { x: aside.x - steep * along.x, y: aside.y - steep * along.y };
    }) as [Point, Point];
    const [missA, missB] = [besideEdge(a, point), besideEdge(b, point)];
    const turn = first.x * second.y - first.y * second.x;
    if (Math.abs(turn) < 1e-9) break;
    point = {
      x: point.x - (missA * second.y - missB * first.y) / turn,
      y: point.y - (first.x * missB - second.x * missA) / turn,
    };
  }
  return point;
}
