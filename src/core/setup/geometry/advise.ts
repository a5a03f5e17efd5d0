import { Matrix, pseudoInverse } from 'ml-matrix';
import { sumOf } from '../../statistics';
import { type Shape } from './fit';
import { type TermId, termIds, terms } from './terms';

/** A control of the picture’s shape, with the error that it is there for. */
export interface ShapeControl {
  readonly control: string;
  readonly term: TermId;
}

/** A control that was turned, with the shape before and after. */
export interface ShapeTouch {
  readonly control: string;
  readonly before: Shape;
  readonly after: Shape;
  readonly end: boolean;
}

export interface ShapeMove extends ShapeControl {
  /** Its error now and what it is turned to, in percent of the width. */
  readonly now: number;
  readonly aim: number;
  readonly way: string;
  /** By how much the crossings come nearer to where they should be, in percent of the width. */
  readonly gains: number;
}

export interface ShapeAdvice {
  readonly done: boolean;
  readonly next: ShapeMove | undefined;
  /** How far the crossings will be off after the best setting of all controls, in percent of the width. */
  readonly best: number;
  /** Errors that no control here reaches. */
  readonly beyond: readonly TermId[];
  /** Controls that were turned and moved nothing, or that are at their end. */
  readonly trouble: readonly { readonly control: string; readonly words: string }[];
}

/** Less than this, in percent of the width, is not worth a turn. */
const worthwhile = 0.12;
/** A movement of its own error that shows what a control does, in percent of the width. */
const shows = 0.15;
/** A grid of places over the pattern for how far crossings are off. */
const grid = Array.from({ length: 9 * 9 }, (_, i) => ({ u: (i % 9) / 4 - 1, v: Math.floor(i / 9) / 4 - 1 }));

export const valuesOf = ({ terms: all }: Shape): number[] => termIds.map((id) => all.get(id)?.percent ?? 0);

let meanProducts: Matrix | undefined;

/** Mean square of the displacement for products of two terms. */
const products = (): Matrix =>
  (meanProducts ??= new Matrix(
    termIds.map((a) =>
      termIds.map(
        (b) =>
          sumOf(grid, (place) => {
            const [p, q] = [terms[a].shift(place, 0.75), terms[b].shift(place, 0.75)];
            return p[0] * q[0] + p[1] * q[1];
          }) / grid.length,
      ),
    ),
  ));

const rootMeanSquare = (values: Matrix) =>
  Math.sqrt(Math.max(0, values.transpose().mmul(products()).mmul(values).get(0, 0)));

/** How far to set each of some controls, of which `does` says what they do to all errors, for the least mean square displacement. */
export function leastSquares(does: Matrix, now: Matrix): Matrix {
  const weighed = does.transpose().mmul(products());
  return pseudoInverse(weighed.mmul(does)).mmul(weighed).mmul(now).mul(-1);
}

/** What each control does to all errors for a unit of its own: as last seen, or its own alone. */
function effects(controls: readonly ShapeControl[], touches: readonly ShapeTouch[]): Matrix {
  const columns = controls.map(({ control, term }) => {
    const own = termIds.indexOf(term);
    const sums = termIds.map((_, i): number => (i === own ? 1 : 0));
    let weight = 0;
    for (const touch of touches) {
      if (touch.control !== control) continue;
      const [before, after] = [valuesOf(touch.before), valuesOf(touch.after)];
      const moved = after[own]! - before[own]!;
      if (Math.abs(moved) < shows) continue;
      const share = moved ** 2 / (weight + moved ** 2);
      weight += moved ** 2;
      termIds.forEach((_, i) => {
        const seen = (after[i]! - before[i]!) / moved;
        sums[i] = i === own ? 1 : sums[i]! + share * (seen - sums[i]!);
      });
    }
    return sums;
  });
  return new Matrix(termIds.map((_, i) => columns.map((column) => column[i]!)));
}

/**
 * What to turn next so that all crossings come as near as they can to where they should be. What a control does to the other
 * errors is learnt whenever it is turned; all controls together are then set for the least mean square of the displacement, and
 * the one with the furthest to go is named.
 */
export function adviseShape(
  shape: Shape,
  controls: readonly ShapeControl[],
  touches: readonly ShapeTouch[] = [],
): ShapeAdvice {
  const trouble = controls.flatMap(({ control, term }) => {
    const own = touches.filter((touch) => touch.control === control);
    const moved = (touch: ShapeTouch) =>
      Math.abs((touch.after.terms.get(term)?.percent ?? 0) - (touch.before.terms.get(term)?.percent ?? 0));
    if (own.some(({ end }) => end))
      return [{ control, words: 'at the end of its travel: a fault, or the wrong control' }];
    if (own.length >= 2 && own.every((touch) => moved(touch) < shows / 2))
      return [{ control, words: 'was turned twice and moves nothing: look for a broken wiper or a joint' }];
    return [];
  });
  const free = controls.filter(({ control }) => !trouble.some((one) => one.control === control));
  const now = Matrix.columnVector(valuesOf(shape));
  const off = rootMeanSquare(now);
  const beyond = [...shape.terms]
    .filter(
      ([id, { percent, spread }]) =>
        !free.some(({ term }) => term === id) && Math.abs(percent) > Math.max(0.4, 3 * spread),
    )
    .map(([id]) => id);
  if (free.length === 0)
    return { done: true, next: undefined, best: Math.hypot(off, shape.unexplained), beyond, trouble };
  const does = effects(free, touches);
  const set = leastSquares(does, now);
  const best = rootMeanSquare(Matrix.add(now, does.mmul(set)));
  const moves = free.map(({ control, term }, k): ShapeMove => {
    const by = set.get(k, 0);
    const alone = Matrix.zeros(free.length, 1);
    alone.set(k, 0, by);
    const current = shape.terms.get(term)?.percent ?? 0;
    return {
      control,
      term,
      now: current,
      aim: current + by,
      way: by > 0 ? terms[term].raise : terms[term].lessen,
      gains: rootMeanSquare(does.mmul(alone)),
    };
  });
  const next = moves.reduce((most, move) => (move.gains > most.gains ? move : most));
  // What no control reaches is left out of it: a large error that stays hides no smaller one that can be put right.
  const reached = Math.sqrt(Math.max(0, off ** 2 - best ** 2));
  const done = reached < worthwhile || next.gains < worthwhile;
  return { done, next: done ? undefined : next, best: Math.hypot(best, shape.unexplained), beyond, trouble };
}
