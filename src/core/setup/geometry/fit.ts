import { inverse, Matrix } from 'ml-matrix';
import { Projection } from '../../plane';
import { Refusal } from '../../quantity';
import { sumOf } from '../../statistics';
import { type Place, type TermId, termIds, terms } from './terms';

/** A crossing of the pattern with where it lies on the flat of the screen, in shares of its width, from the middle, right and down. */
export interface Seen extends Place {
  readonly x: number;
  readonly y: number;
}

/** What the picture should be. */
export interface Wanted {
  /** Distance of the outer upright lines as a share of the screen’s width. */
  readonly wide: number;
  /** Distance of the outer level lines as a share of the screen’s width. */
  readonly high: number;
}

/** A figure in percent of the screen’s width, with its standard deviation. */
export interface Measured {
  readonly percent: number;
  readonly spread: number;
}

/** The shape of a picture. */
export interface Shape {
  /** Errors; without the corners of the glass only those that a camera standing askew does not make. */
  readonly terms: ReadonlyMap<TermId, Measured>;
  /** How far crossings lie from where they should, in percent of the width: as the root of the mean square, and the furthest. */
  readonly off: number;
  readonly furthest: number;
  /** What no named error explains, as the root of the mean square, in percent of the width. */
  readonly unexplained: number;
}

/** A pattern whose outer lines lie half a cell inside the edges of the picture. */
export function wantedOf(across: number, down: number, aspect: number, overscan = 0): Wanted {
  return { wide: (1 + overscan) * (1 - 1 / across), high: (1 + overscan) * aspect * (1 - 1 / down) };
}

const fewest = 20;

/**
 * The errors of shape that explain best (least squares) where the crossings lie.
 *
 * @throws Refusal with fewer than 20 crossings
 */
export function shapeOf(seen: readonly Seen[], wanted: Wanted, corners = true): Shape {
  if (seen.length < fewest) throw new Refusal(`the shape takes ${fewest} crossings at least; there are ${seen.length}`);
  const flat = corners ? seen : straightened(seen, wanted);
  const tall = wanted.high / wanted.wide;
  const ids = termIds.filter((id) => corners || !terms[id].askew);
  const shifts = flat.map((place) => ids.map((id) => terms[id].shift(place, tall)));
  const rows = new Matrix([0, 1].flatMap((axis) => shifts.map((all) => all.map((shift) => shift[axis]!))));
  const miss = [
    ...flat.map(({ u, x }) => 100 * (x - (u * wanted.wide) / 2)),
    ...flat.map(({ v, y }) => 100 * (y - (v * wanted.high) / 2)),
  ];
  const turned = rows.transpose();
  const squares = inverse(turned.mmul(rows));
  const found = squares.mmul(turned.mmul(Matrix.columnVector(miss))).to1DArray();
  const explained = rows.mmul(Matrix.columnVector(found)).to1DArray();
  const left = miss.map((one, i) => one - explained[i]!);
  const variance = sumOf(left, (one) => one * one) / Math.max(1, left.length - ids.length);
  const rms = (errors: readonly number[]) => Math.sqrt(sumOf(errors, (one) => one * one) / flat.length);
  return {
    terms: new Map(
      ids.map((id, k) => [id, { percent: found[k]!, spread: Math.sqrt(Math.max(0, variance * squares.get(k, k))) }]),
    ),
    off: rms(miss),
    furthest: Math.max(...flat.map((_, i) => Math.hypot(miss[i]!, miss[i + flat.length]!))),
    unexplained: rms(left),
  };
}

/** The crossings as a camera straight before the screen would see them, by the projective map that suits them best. */
export function straightened(seen: readonly Seen[], { wide, high }: Wanted): Seen[] {
  const projection = Projection.through(
    seen.map((one) => ({ seen: one, lies: { x: (one.u * wide) / 2, y: (one.v * high) / 2 } })),
  );
  return seen.map((one) => ({ u: one.u, v: one.v, ...projection.at(one) }));
}
