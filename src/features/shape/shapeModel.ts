import { type Corners, type Crossing, type Pattern } from '@/core/crosshatch';
import { type Point } from '@/core/plane';
import { Refusal } from '@/core/quantity';
import { adviseShape, type Shape, type ShapeAdvice, type ShapeWalk, type TermId, terms } from '@/core/setup';

/** A crossing of the pattern and where it lies in the picture. */
export type Node = Pick<Crossing, 'row' | 'column' | 'x' | 'y'>;

/** A photograph that was read. */
export interface Photo {
  readonly picture: File;
  readonly url: string;
  readonly width: number;
  readonly height: number;
  readonly crossings: readonly Crossing[];
  readonly pattern: Pattern;
}

/** Crossings with some of them put where they are by hand: those are certain, and their colours were not read there. */
export function withMoved(crossings: readonly Crossing[], moved: readonly Node[]): readonly Crossing[] {
  if (moved.length === 0) return crossings;
  const byPlace = new Map(moved.map((one) => [`${one.row} ${one.column}`, one]));
  return crossings.map((one) => {
    const put = byPlace.get(`${one.row} ${one.column}`);
    return put ? { ...put, certainty: 1 } : one;
  });
}

/** Moves with one more: a crossing that is dragged on is moved once. */
export function movedOn(moved: readonly Node[], { row, column }: Pick<Crossing, 'row' | 'column'>, to: Point): Node[] {
  const last = moved[moved.length - 1];
  const before = last?.row === row && last.column === column ? moved.slice(0, -1) : moved;
  return [...before, { row, column, ...to }];
}

/** Where the corners of the glass may lie: half a cell outside the outer crossings. */
export function likelyCorners({ crossings, pattern, width, height }: Omit<Photo, 'picture' | 'url'>): Corners {
  const { across, down } = pattern;
  const at = (row: number, column: number) => crossings[row * across + column]!;
  const beyond = (row: number, column: number, inRow: number, inColumn: number): Point => {
    const corner = at(row, column);
    const inner = at(inRow, inColumn);
    return {
      x: Math.min(width, Math.max(0, corner.x + (corner.x - inner.x) / 2)),
      y: Math.min(height, Math.max(0, corner.y + (corner.y - inner.y) / 2)),
    };
  };
  return [
    beyond(0, 0, 1, 1),
    beyond(0, across - 1, 1, across - 2),
    beyond(down - 1, across - 1, down - 2, across - 2),
    beyond(down - 1, 0, down - 2, 1),
  ];
}

/** What to turn next: by what was measured last, and what the turns before it did. */
export function nextTurn(walk: ShapeWalk): ShapeAdvice | undefined {
  const { latest, controls, touches } = walk;
  return (
    latest &&
    adviseShape(
      latest,
      controls.filter(({ term }) => latest.terms.has(term)),
      touches,
    )
  );
}

/** Errors of a shape as they were and are, the largest first; those that were and are nothing left out. */
export function errorsOf(first: Shape, latest: Shape) {
  return [...latest.terms]
    .map(([id, { percent, spread }]) => ({
      id,
      title: terms[id].title,
      before: first.terms.get(id)?.percent,
      percent,
      spread,
    }))
    .filter(
      ({ before, percent, spread }) => Math.max(Math.abs(before ?? 0), Math.abs(percent)) >= Math.max(0.3, 2 * spread),
    )
    .sort((a, b) => Math.abs(b.percent) - Math.abs(a.percent))
    .map((row) => ({ ...row, words: wordsOf(row.id, row.percent) }));
}

const wordsOf = (id: TermId, percent: number) =>
  Math.abs(percent) < 0.3 ? 'right' : percent > 0 ? terms[id].over : terms[id].under;

/** Height of a screen to its width. */
export const screenShapes = { '4 : 3': 0.75, '16 : 9': 0.5625 } as const;

/** What is typed beside a photograph: lines of the pattern, the screen’s width in millimetres, its shape. */
export interface Asked {
  readonly across: string;
  readonly down: string;
  readonly wide: string;
  readonly form: keyof typeof screenShapes;
}

export const usual: Asked = { across: '15', down: '11', wide: '400', form: '4 : 3' };

/**
 * The width of a screen as it was typed, in millimetres.
 *
 * @throws Refusal where that is no width of a screen
 */
export function widthOf(typed: string): number {
  const width = Number(typed.trim().replace(',', '.') || NaN);
  if (!(width >= 20 && width <= 5000))
    throw new Refusal(`"${typed}" is no width of a screen: type it in millimetres, from 20 to 5000, like 400`);
  return width;
}
