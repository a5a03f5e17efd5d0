import { Matrix, solve } from 'ml-matrix';
import { sumOf } from '../statistics';
import { type Place } from './geometry';

/** Where a colour lies beside green at a crossing, in millimetres, right and down. */
export interface ColourOffset extends Place {
  readonly x: number;
  readonly y: number;
}

/** How two colours miss green over the screen. */
export interface ConvergenceState {
  /** In the middle of the screen, in millimetres: what the rings at the neck put right. */
  readonly static: { readonly red: readonly [number, number]; readonly blue: readonly [number, number] };
  /** The furthest miss of either colour, in millimetres, and where it is. */
  readonly worst: {
    readonly colour: 'red' | 'blue';
    readonly millimetres: number;
    readonly u: number;
    readonly v: number;
  };
  /** What the worst corner keeps when the middle is right: the yoke’s part. */
  readonly dynamic: number;
  /** What to move, in the order of the work. */
  readonly moves: readonly ConvergenceMove[];
}

export interface ConvergenceMove {
  readonly part: string;
  readonly words: string;
  /** How much of it is to go, in millimetres. */
  readonly millimetres: number;
}

/** Less is not seen at arm’s length, in millimetres. */
export const seen = 0.25;

/** Errors of a colour over the screen as sums of simple ones: `[1, u, v, u², uv, v²]` for right and for down. */
function fitted(offsets: readonly ColourOffset[]) {
  const rows = new Matrix(offsets.map(({ u, v }) => [1, u, v, u * u, u * v, v * v]));
  const of = (axis: 'x' | 'y') => solve(rows, Matrix.columnVector(offsets.map((one) => one[axis])), true).to1DArray();
  return { x: of('x'), y: of('y') };
}

/**
 * Reads the errors of red and blue against green. A pair of four-pole rings moves red and blue against each other, a pair of
 * six-pole rings moves both together against green: half the difference of the two colours’ misses in the middle goes to the
 * first, half their sum to the second. What is left at the edges is the yoke’s: tilted up and down, left and right, or turned.
 */
export function convergenceOf(red: readonly ColourOffset[], blue: readonly ColourOffset[]): ConvergenceState {
  const [r, b] = [fitted(red), fitted(blue)];
  const middle = (one: typeof r): readonly [number, number] => [one.x[0]!, one.y[0]!];
  const half = (sign: 1 | -1) =>
    [0, 1].map((axis) => (middle(r)[axis]! + sign * middle(b)[axis]!) / 2) as [number, number];
  const [apart, together] = [half(-1), half(1)];
  const all = [
    ...red.map((one) => ({ ...one, colour: 'red' as const })),
    ...blue.map((one) => ({ ...one, colour: 'blue' as const })),
  ];
  const worst = all.reduce((most, one) => (Math.hypot(one.x, one.y) > Math.hypot(most.x, most.y) ? one : most));
  const dynamic = Math.max(
    ...all.map(({ colour, x, y }) => {
      const [mx, my] = middle(colour === 'red' ? r : b);
      return Math.hypot(x - mx, y - my);
    }),
  );
  const ring = (part: string, [x, y]: readonly [number, number], what: string): ConvergenceMove[] =>
    Math.hypot(x, y) < seen
      ? []
      : [
          {
            part,
            millimetres: Math.hypot(x, y),
            words: `${what} by ${inWords(x, y)}: tabs apart until the length is right, then both turned until the direction is`,
          },
        ];
  // Level lines that cross in the middle: red and blue differ in y with u. Uprights that do: in x with v.
  const crossing = [
    {
      part: 'yoke, tilted up or down',
      by: (r.x[2]! - b.x[2]!) / 2,
      words: 'red and blue uprights cross: tilt the yoke up or down and wedge it there',
    },
    {
      part: 'yoke, tilted left or right',
      by: (r.y[1]! - b.y[1]!) / 2,
      words: 'red and blue level lines cross: tilt the yoke left or right and wedge it there',
    },
    {
      part: 'yoke, tilted left or right, then wedges',
      by: (r.x[1]! - b.x[1]!) / 2,
      words: 'one colour is wider than the other: tilt the yoke sideways until both sides are alike',
    },
    {
      part: 'yoke, tilted up or down, then wedges',
      by: (r.y[2]! - b.y[2]!) / 2,
      words: 'one colour is higher than the other: tilt the yoke up or down until top and bottom are alike',
    },
  ];
  const tilts = crossing
    .filter(({ by }) => Math.abs(by) >= seen)
    .sort((one, other) => Math.abs(other.by) - Math.abs(one.by))
    .map(({ part, by, words }): ConvergenceMove => ({ part, words, millimetres: Math.abs(by) }));
  const left = Math.sqrt(sumOf(all, ({ x, y }) => x * x + y * y) / all.length);
  const strips: ConvergenceMove[] =
    tilts.length === 0 && dynamic >= 2 * seen && left >= seen
      ? [
          {
            part: 'strips behind the yoke',
            millimetres: dynamic,
            words: `the corner at ${whereWords(worst.u, worst.v)} alone is out: a strip of ferrite under the yoke there`,
          },
        ]
      : [];
  return {
    static: { red: middle(r), blue: middle(b) },
    worst: { colour: worst.colour, millimetres: Math.hypot(worst.x, worst.y), u: worst.u, v: worst.v },
    dynamic,
    moves: [
      ...ring('four-pole rings', apart, 'red and blue against each other: red is off'),
      ...ring('six-pole rings', together, 'red and blue together against green: off'),
      ...tilts,
      ...strips,
    ],
  };
}

const inWords = (x: number, y: number) =>
  [
    Math.abs(x) >= 0.05 ? `${Math.abs(x).toFixed(1)} mm to the ${x > 0 ? 'right' : 'left'}` : '',
    Math.abs(y) >= 0.05 ? `${Math.abs(y).toFixed(1)} mm ${y > 0 ? 'down' : 'up'}` : '',
  ]
    .filter(Boolean)
    .join(' and ');

const whereWords = (u: number, v: number) =>
  `the ${v < -0.33 ? 'top' : v > 0.33 ? 'bottom' : 'middle'} ${u < -0.33 ? 'left' : u > 0.33 ? 'right' : ''}`.trim();
