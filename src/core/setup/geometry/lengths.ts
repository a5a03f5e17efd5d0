import { Refusal } from '../../quantity';
import { shapeOf, type Seen, type Shape, wantedOf } from './fit';
import { type TermId } from './terms';

/** Errors that lengths along the two middle lines tell; bends and corners are not among them. */
const told: readonly TermId[] = [
  'acrossCentre',
  'downCentre',
  'width',
  'height',
  'acrossLinearity',
  'downLinearity',
  'acrossS',
  'downS',
];
/** Cells that are measured across and down at least. */
const fewest = 4;

/** Lengths along one line: from the edge of the glass to the first line, each cell, from the last line to the edge. */
function readLengths(text: string, what: string): readonly number[] {
  const words = text.trim().split(/[\s;|]+|,\s+/);
  const lengths = words.map((word) => Number(word.replace(',', '.')));
  const right = `${what}: edge to first line, each of ${fewest} cells or more, last line to edge, like 12 40 41 41 40 14`;
  if (lengths.length < fewest + 2) throw new Refusal(right);
  const [first, last] = [lengths[0]!, lengths[lengths.length - 1]!];
  const cells = lengths.slice(1, -1);
  const wrong = lengths.findIndex((one, at) => {
    const isEdge = at === 0 || at === lengths.length - 1;
    return !Number.isFinite(one) || (isEdge ? one < 0 : one <= 0);
  });
  if (wrong >= 0) throw new Refusal(`${what}, "${words[wrong]}" is no length; ${right}`);
  if (first + last > cells.reduce((sum, one) => sum + one, 0))
    throw new Refusal(`${what}: the edges are longer than all cells; ${right}`);
  return lengths;
}

/** Where lines lie from the middle of the glass, in the unit of the lengths, and how long all is. */
function linesOf(lengths: readonly number[]) {
  const whole = lengths.reduce((sum, one) => sum + one, 0);
  let at = -whole / 2;
  return { whole, lines: lengths.slice(0, -1).map((one) => (at += one)) };
}

/** A shape by lengths that were measured with a rule along the middle of the screen. */
export interface ShapeByLengths {
  readonly shape: Shape;
  /** Crossings as the lengths have them, were all lines straight. */
  readonly seen: readonly Seen[];
  readonly across: number;
  readonly down: number;
  /** Height of the glass by its width. */
  readonly aspect: number;
}

/**
 * Size, place and linearity of a picture from lengths on a crosshatch, in any unit: along the middle level line from left to
 * right, and along the middle upright from top to bottom.
 *
 * @throws Refusal with which lengths are wrong and what would be right
 */
export function shapeByLengths(acrossText: string, downText: string): ShapeByLengths {
  const across = linesOf(readLengths(acrossText, 'across'));
  const down = linesOf(readLengths(downText, 'down'));
  const place = (at: number, count: number) => (2 * at) / (count - 1) - 1;
  const seen = down.lines.flatMap((y, row) =>
    across.lines.map((x, column): Seen => ({
      u: place(column, across.lines.length),
      v: place(row, down.lines.length),
      x: x / across.whole,
      y: y / across.whole,
    })),
  );
  const aspect = down.whole / across.whole;
  const fitted = shapeOf(seen, wantedOf(across.lines.length, down.lines.length, aspect));
  const terms = new Map([...fitted.terms].filter(([id]) => told.includes(id)));
  return { shape: { ...fitted, terms }, seen, across: across.lines.length, down: down.lines.length, aspect };
}
