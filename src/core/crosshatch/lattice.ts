import { Matrix, SingularValueDecomposition } from 'ml-matrix';
import { type Candidate, type Cell } from './likely';
import { type Point } from '../plane';

/** A crossing by its place in the pattern; row and column from 0 at the top left. */
export interface Node extends Point {
  readonly row: number;
  readonly column: number;
}

interface Grown extends Candidate {
  readonly row: number;
  readonly column: number;
  /** Steps to the next to the right and the next below, in pixels. */
  readonly right: Point;
  readonly below: Point;
}

const key = (row: number, column: number) => `${row},${column}`;

/** A step may differ from the one before by this share. */
const nearby = 0.3;

/** The candidates that hang together as a lattice, grown from the one in the middle, with rows and columns that may be below 0. */
function grownFrom(candidates: readonly Candidate[], seed: Candidate, cell: Cell): Grown[] {
  const right = nearestTo(candidates, seed, { x: cell.across, y: 0 });
  const below = nearestTo(candidates, seed, { x: 0, y: cell.down });
  if (!right || !below) return [];
  const first: Grown = {
    ...seed,
    row: 0,
    column: 0,
    right: { x: right.x - seed.x, y: right.y - seed.y },
    below: { x: below.x - seed.x, y: below.y - seed.y },
  };
  const at = new Map<string, Grown>([[key(0, 0), first]]);
  const taken = new Set<Candidate>([seed]);
  const queue = [first];
  for (let node = queue.shift(); node; node = queue.shift()) {
    for (const [rows, columns] of [
      [0, 1],
      [0, -1],
      [1, 0],
      [-1, 0],
    ] as const) {
      const [row, column] = [node.row + rows, node.column + columns];
      if (at.has(key(row, column))) continue;
      const step = columns === 0 ? node.below : node.right;
      const sign = rows + columns;
      const wanted = { x: node.x + sign * step.x, y: node.y + sign * step.y };
      const reach = nearby * Math.hypot(step.x, step.y);
      const found = candidates
        .filter((one) => !taken.has(one) && Math.hypot(one.x - wanted.x, one.y - wanted.y) < reach)
        .sort((a, b) => Math.hypot(a.x - wanted.x, a.y - wanted.y) - Math.hypot(b.x - wanted.x, b.y - wanted.y))[0];
      if (!found) continue;
      const made = { x: sign * (found.x - node.x), y: sign * (found.y - node.y) };
      const next: Grown = {
        ...found,
        row,
        column,
        right: columns === 0 ? node.right : made,
        below: columns === 0 ? made : node.below,
      };
      at.set(key(row, column), next);
      taken.add(found);
      queue.push(next);
    }
  }
  return [...at.values()];
}

/** The candidate in about the direction and distance of a step. */
function nearestTo(candidates: readonly Candidate[], from: Point, step: Point): Candidate | undefined {
  const size = Math.hypot(step.x, step.y);
  const miss = (one: Candidate) => {
    const [dx, dy] = [one.x - from.x, one.y - from.y];
    const length = Math.hypot(dx, dy);
    const ahead = (dx * step.x + dy * step.y) / size;
    return length < 0.5 * size || length > 1.7 * size || ahead < 0.85 * length ? Infinity : length;
  };
  return candidates.reduce<Candidate | undefined>(
    (best, one) => (miss(one) < (best ? miss(best) : Infinity) ? one : best),
    undefined,
  );
}

/** The window of so many rows and columns with the most light in it. */
function windowOf(nodes: readonly Grown[], rows: number, columns: number): readonly [number, number] {
  const places = (values: readonly number[], size: number) => {
    const [from, to] = [Math.min(...values), Math.max(...values)];
    return Array.from({ length: Math.max(1, to - from - size + 2) }, (_, i) => from + i);
  };
  let best: readonly [number, number] = [0, 0];
  let most = -1;
  for (const top of places(
    nodes.map(({ row }) => row),
    rows,
  ))
    for (const left of places(
      nodes.map(({ column }) => column),
      columns,
    )) {
      let sum = 0;
      for (const { row, column, strength } of nodes)
        if (row >= top && row < top + rows && column >= left && column < left + columns) sum += strength;
      if (sum > most) [best, most] = [[top, left], sum];
    }
  return best;
}

/** The lattice of a pattern with what a smooth map of it says of every crossing. */
export interface Lattice {
  readonly found: readonly Node[];
  /** Where a crossing should lie by those around it. */
  readonly smooth: (row: number, column: number) => Point;
  /** How many of the rows and columns that were asked for are there, and how many hang together at all. */
  readonly rows: number;
  readonly columns: number;
  readonly allRows: number;
  readonly allColumns: number;
}

const few = 12;

/** The lattice of so many rows and columns that the candidates make; undefined where they make none. */
export function latticeOf(
  candidates: readonly Candidate[],
  cell: Cell,
  rows: number,
  columns: number,
): Lattice | undefined {
  const strong = candidates.slice(0, rows * columns);
  const middle = {
    x: strong.reduce((sum, { x }) => sum + x, 0) / strong.length,
    y: strong.reduce((sum, { y }) => sum + y, 0) / strong.length,
  };
  const seeds = [...strong]
    .sort((a, b) => Math.hypot(a.x - middle.x, a.y - middle.y) - Math.hypot(b.x - middle.x, b.y - middle.y))
    .slice(0, 6);
  const grown = seeds
    .map((seed) => grownFrom(candidates, seed, cell))
    .reduce<Grown[]>((best, one) => (one.length > best.length ? one : best), []);
  if (grown.length < few) return undefined;
  const [top, left] = windowOf(grown, rows, columns);
  const inside = grown
    .map(({ row, column, x, y }): Node => ({ row: row - top, column: column - left, x, y }))
    .filter(({ row, column }) => row >= 0 && row < rows && column >= 0 && column < columns);
  const spread = (nodes: readonly Node[], of: (node: Node) => number) => new Set(nodes.map(of)).size;
  const row = (node: Node) => node.row;
  const column = (node: Node) => node.column;
  if (inside.length < few) return undefined;
  return {
    found: inside,
    smooth: smoothMap(inside, rows, columns),
    rows: spread(inside, row),
    columns: spread(inside, column),
    allRows: spread(grown, row),
    allColumns: spread(grown, column),
  };
}

/** Products of powers of two figures up to the third degree together. */
const cubic = (u: number, v: number) => [1, u, v, u * u, u * v, v * v, u ** 3, u * u * v, u * v * v, v ** 3];

/** A map of the third degree from row and column to the picture, through nodes of which a few may be wrong. */
export function smoothMap(
  nodes: readonly Node[],
  rows: number,
  columns: number,
): (row: number, column: number) => Point {
  const place = (row: number, column: number) =>
    cubic((2 * column) / Math.max(1, columns - 1) - 1, (2 * row) / Math.max(1, rows - 1) - 1);
  let weights = nodes.map(() => 1);
  let solved = { x: [] as number[], y: [] as number[] };
  const at = (row: number, column: number): Point => {
    const terms = place(row, column);
    const dot = (by: readonly number[]) => terms.reduce((sum, term, i) => sum + term * by[i]!, 0);
    return { x: dot(solved.x), y: dot(solved.y) };
  };
  for (let round = 0; round < 4; round += 1) {
    const terms = new Matrix(nodes.map(({ row, column }, i) => place(row, column).map((term) => term * weights[i]!)));
    const wanted = new Matrix(nodes.map(({ x, y }, i) => [x * weights[i]!, y * weights[i]!]));
    const found = new SingularValueDecomposition(terms, { autoTranspose: true }).solve(wanted);
    solved = { x: found.getColumn(0), y: found.getColumn(1) };
    const misses = nodes.map(({ row, column, x, y }) => Math.hypot(at(row, column).x - x, at(row, column).y - y));
    const usual = [...misses].sort((a, b) => a - b)[Math.floor(misses.length / 2)]! + 0.3;
    weights = misses.map((miss) => 1 / (1 + (miss / (3 * usual)) ** 2));
  }
  return at;
}
