import { type Point, type PointPair } from '../plane';
import { Refusal } from '../quantity';
import { settlesNothing } from './align';
import { shownPins } from './footprint';
import { type TracedPart } from './part';

/** The two sides of a board. */
export const boardSides = ['front', 'back'] as const;
export type BoardSide = (typeof boardSides)[number];

/**
 * Where things lie on a traced board. Places are shares of the board’s width, from the upper left of the photograph that
 * was taken first, right and down; of a board without a photograph, of a plane three quarters as high as wide.
 */
export interface TracedBoard {
  /** What was shown of a part, by its reference: see `shownPins`. */
  readonly shown: ReadonlyMap<string, readonly Point[]>;
  /** Photographs, `job/photo`; the side that was taken first carries the places. */
  readonly photos: readonly { readonly side: BoardSide; readonly photo: string }[];
  /** Holes that were shown on both: seen on the second photograph, lies on the first. */
  readonly holes: readonly PointPair[];
}

export const bareBoard: TracedBoard = { shown: new Map(), photos: [], holes: [] };

/** The words that such a line begins with. */
export const isOfBoard = (word: string): boolean =>
  word === 'at' || word === 'hole' || boardSides.some((side) => side === word);

const highest = 4;

function pointsOf(words: readonly string[], count: number, example: string): Point[] {
  const figures = words.map(Number);
  if (figures.length !== 2 * count || !figures.every((figure) => figure >= 0 && figure <= highest))
    throw new Refusal(`${2 * count} shares of the board’s width, right and down by turns: write ${example}`);
  return Array.from({ length: count }, (_, pin) => ({ x: figures[2 * pin]!, y: figures[2 * pin + 1]! }));
}

const written = ({ x, y }: Point) => `${x.toFixed(4)} ${y.toFixed(4)}`;

/** `at R12 0.3120 0.4180 0.3512 0.4180` */
export const placeLine = (ref: string, shown: readonly Point[]): string => `at ${ref} ${shown.map(written).join(' ')}`;

/** `hole 0.3120 0.4180 0.6512 0.4180` */
export const holeLine = ({ lies, seen }: PointPair): string => `hole ${written(lies)} ${written(seen)}`;

/** `front JOB/PHOTO` */
export const photoLine = (side: BoardSide, job: string, photo: string): string => `${side} ${job}/${photo}`;

/** Reads one more line of where things lie. @throws Refusal */
export function withPlaced(board: TracedBoard, typed: string, parts: ReadonlyMap<string, TracedPart>): TracedBoard {
  const [word = '', ...words] = typed.trim().split(/\s+/);
  const side = boardSides.find((one) => one === word.toLowerCase());
  if (side) {
    const [photo = ''] = words;
    if (!/^[\w-]{1,64}\/[\w-]{8,64}$/.test(photo))
      throw new Refusal(`a photograph of the ${side} is taken by its button`);
    // Holes that were shown on another photograph say nothing of this one.
    return { ...board, photos: withPhoto(board.photos, side, photo), holes: [] };
  }
  if (word.toLowerCase() === 'hole') {
    if (board.photos.length < 2) throw new Refusal('a hole is shown on both photographs: take front and back first');
    const [lies, seen] = pointsOf(words, 2, 'hole 0.31 0.42 0.65 0.42');
    const both = { lies: lies!, seen: seen! };
    for (const on of ['lies', 'seen'] as const)
      if (
        settlesNothing(
          both[on],
          board.holes.map((hole) => hole[on]),
        )
      )
        throw new Refusal('that hole is in a row with two of the others: show one nearer to another corner');
    return { ...board, holes: [...board.holes, both] };
  }
  const ref = (words[0] ?? '').toUpperCase();
  const part = parts.get(ref);
  if (!part) throw new Refusal(`there is no ${ref || 'part'} here to be placed: type it first, R12 4k7`);
  const pins = shownPins(part);
  const example = `at ${ref} 0.31 0.42${' 0.35 0.42'.repeat(pins.length - 1)}`;
  return { ...board, shown: new Map([...board.shown, [ref, pointsOf(words.slice(1), pins.length, example)]]) };
}

function withPhoto(photos: TracedBoard['photos'], side: BoardSide, photo: string): TracedBoard['photos'] {
  const known = photos.some((one) => one.side === side);
  return known ? photos.map((one) => (one.side === side ? { side, photo } : one)) : [...photos, { side, photo }];
}
