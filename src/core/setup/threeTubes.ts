import { Matrix, solve } from 'ml-matrix';
import { mean } from '../statistics';
import { type ColourOffset, type ConvergenceMove, type ConvergenceState, seen } from './convergence';

/** A control of a tube’s own raster, as three-tube sets have them for red and for blue: what it moves over the screen. */
interface RasterTerm {
  /** Its title for errors across, and for errors down; undefined where it is no control of that direction. */
  readonly across: string | undefined;
  readonly down: string | undefined;
  of(u: number, v: number): number;
  /** Where it is judged by eye. */
  readonly where: string;
}

/** In the order of the work: each is set where those before it leave nothing any more. */
const order: readonly RasterTerm[] = [
  { across: 'position across', down: 'position down', of: () => 1, where: 'in the middle' },
  { across: 'width', down: 'tilt of level lines', of: (u) => u, where: 'half way to the right edge' },
  { across: 'lean of uprights', down: 'height', of: (_, v) => v, where: 'half way to the bottom edge' },
  { across: 'linearity across', down: 'bow of level lines', of: (u) => u * u, where: 'at the left and right edges' },
  { across: 'bow of uprights', down: 'linearity down', of: (_, v) => v * v, where: 'at the top and bottom edges' },
  { across: 'keystone of uprights', down: 'keystone of level lines', of: (u, v) => u * v, where: 'in the corners' },
  { across: 'pincushion of the sides', down: undefined, of: (u, v) => u * v * v, where: 'in the corners' },
  { across: undefined, down: 'pincushion of top and bottom', of: (u, v) => u * u * v, where: 'in the corners' },
];

/** Zones across and down that fine convergence is set in, the middle one first. */
const zones = { across: 5, down: 3 } as const;
const colours = ['red', 'blue'] as const;
const axes = [
  { axis: 'x', names: 'across', more: 'right', less: 'left' },
  { axis: 'y', names: 'down', more: 'down', less: 'up' },
] as const;

type Offsets = Readonly<Record<(typeof colours)[number], readonly ColourOffset[]>>;

/** The share of each control in the errors of a colour in one direction, and what they leave at each place. */
function explained(offsets: readonly ColourOffset[], axis: 'x' | 'y', names: 'across' | 'down') {
  const terms = order.filter((term) => term[names] !== undefined);
  const rows = new Matrix(offsets.map(({ u, v }) => terms.map(({ of }) => of(u, v))));
  const shares = solve(rows, Matrix.columnVector(offsets.map((one) => one[axis])), true).to1DArray();
  return {
    shares: new Map(terms.map((term, i) => [term, shares[i]!])),
    left: offsets.map(
      ({ u, v, [axis]: off }) => off - terms.reduce((sum, { of }, i) => sum + shares[i]! * of(u, v), 0),
    ),
  };
}

const zoneOf = ({ u, v }: { readonly u: number; readonly v: number }) => ({
  column: Math.min(zones.across - 1, Math.floor(((u + 1) / 2) * zones.across)),
  row: Math.min(zones.down - 1, Math.floor(((v + 1) / 2) * zones.down)),
});

const zoneTitle = (row: number, column: number) =>
  row === 1 && column === 2
    ? 'zone in the middle'
    : `zone ${['in the top row', 'in the middle row', 'in the bottom row'][row]}, ${['far left', 'left', 'in the middle', 'right', 'far right'][column]}`;

/**
 * The convergence of three tubes: red and blue are laid onto green, each by the controls of its own raster in the order of the
 * work, what is left of it zone by zone from the middle outwards.
 */
export function threeTubes(offsets: Offsets): ConvergenceState & {
  /** The furthest miss that stays when every control and every zone is at its best, in millimetres. */
  readonly remaining: number;
} {
  const found = colours.flatMap((colour) =>
    axes.map((axis) => ({ colour, ...axis, ...explained(offsets[colour], axis.axis, axis.names) })),
  );
  const rasters = order.flatMap((term) =>
    found.flatMap(({ colour, names, more, less, shares }): ConvergenceMove[] => {
      const by = shares.get(term) ?? 0;
      if (Math.abs(by) < seen) return [];
      const to = by > 0 ? less : more;
      return [
        {
          part: `${colour}, ${term[names]!}`,
          millimetres: Math.abs(by),
          words: `${Math.abs(by).toFixed(1)} mm to go ${to}, looked at ${term.where}`,
        },
      ];
    }),
  );
  const fine: { readonly out: number; readonly move: ConvergenceMove }[] = [];
  const misses = new Map(colours.map((colour) => [colour, offsets[colour].map(() => [0, 0] as [number, number])]));
  for (const { colour, axis, more, less, left } of found) {
    for (let row = 0; row < zones.down; row += 1)
      for (let column = 0; column < zones.across; column += 1) {
        const inside = offsets[colour].flatMap((one, i) => {
          const zone = zoneOf(one);
          return zone.row === row && zone.column === column ? [i] : [];
        });
        if (inside.length === 0) continue;
        const by = mean(inside.map((i) => left[i]!));
        const told = Math.abs(by) >= seen;
        for (const i of inside) misses.get(colour)![i]![axis === 'x' ? 0 : 1] = left[i]! - (told ? by : 0);
        if (told)
          fine.push({
            out: Math.hypot(row - 1, column - 2),
            move: {
              part: `${colour}, ${zoneTitle(row, column)}`,
              millimetres: Math.abs(by),
              words: `${Math.abs(by).toFixed(1)} mm to go ${by > 0 ? less : more}`,
            },
          });
      }
  }
  const all = colours.flatMap((colour) => offsets[colour].map((one) => ({ ...one, colour })));
  const worst = all.reduce((most, one) => (Math.hypot(one.x, one.y) > Math.hypot(most.x, most.y) ? one : most));
  const middle = (colour: (typeof colours)[number]) => {
    const own = found.filter((one) => one.colour === colour);
    return [own[0]!.shares.get(order[0]!)!, own[1]!.shares.get(order[0]!)!] as const;
  };
  const statics = { red: middle('red'), blue: middle('blue') };
  return {
    static: statics,
    worst: { colour: worst.colour, millimetres: Math.hypot(worst.x, worst.y), u: worst.u, v: worst.v },
    dynamic: Math.max(...all.map(({ colour, x, y }) => Math.hypot(x - statics[colour][0], y - statics[colour][1]))),
    moves: [...rasters, ...fine.toSorted((a, b) => a.out - b.out).map(({ move }) => move)],
    remaining: Math.max(...[...misses.values()].flat().map(([x, y]) => Math.hypot(x, y))),
  };
}
