import { describe, expect, it } from 'vitest';
import { anyControls, type Shape, type ShapeWalk, type TermId } from '@/core/setup';
import { errorsOf, likelyCorners, movedOn, nextTurn, widthOf, withMoved } from './shapeModel';

const shape = (errors: Partial<Record<TermId, number>>): Shape => ({
  off: 1,
  furthest: 2,
  unexplained: 0,
  terms: new Map(Object.entries(errors).map(([id, percent]) => [id as TermId, { percent, spread: 0.05 }])),
});

describe('the corners of the glass', () => {
  it('are looked for half a cell outside the pattern, and never outside the picture', () => {
    const pattern = { across: 4, down: 3 };
    const crossings = Array.from({ length: 12 }, (_, i) => ({
      row: Math.floor(i / 4),
      column: i % 4,
      x: 30 + 100 * (i % 4),
      y: 60 + 100 * Math.floor(i / 4),
      certainty: 1,
    }));
    const photo = { width: 400, height: 400, pattern, crossings };
    expect(likelyCorners(photo)).toEqual([
      { x: 0, y: 10 },
      { x: 380, y: 10 },
      { x: 380, y: 310 },
      { x: 0, y: 310 },
    ]);
  });
});

describe('errors before and now', () => {
  it('stand the largest first, with what was, and without what never mattered', () => {
    const rows = errorsOf(shape({ width: 3, tilt: 0.1, height: 0.4 }), shape({ width: 0.1, tilt: 0.1, height: -0.9 }));
    expect(rows.map(({ id, before, words }) => [id, before, words])).toEqual([
      ['height', 0.4, 'too low'],
      ['width', 3, 'right'],
    ]);
  });
});

describe('the next turn', () => {
  const walk = (latest: Shape | undefined): ShapeWalk => ({
    first: latest,
    latest,
    colours: [undefined, undefined],
    photos: [undefined, undefined],
    controls: anyControls,
    touches: [],
    open: [],
  });

  it('is of the error that is furthest out, of those that were measured', () => {
    expect(nextTurn(walk(undefined))).toBeUndefined();
    expect(nextTurn(walk(shape({ width: 3, height: 0.5 })))!.next).toMatchObject({ control: 'width', way: 'narrower' });
    expect(nextTurn(walk(shape({ width: 0.05, height: 0.05 })))!.done).toBe(true);
  });
});

describe('the width of a screen', () => {
  it.each([
    ['400', 400],
    [' 52,5 ', 52.5],
    ['5000', 5000],
  ])('%j is %d mm', (typed, width) => expect(widthOf(typed)).toBe(width));

  it.each(['', '0', '19', '5001', 'wide', '-400', 'Infinity'])('%j is refused with what would be right', (typed) => {
    expect(() => widthOf(typed)).toThrow(`"${typed}" is no width of a screen: type it in millimetres, from 20 to 5000`);
  });
});

describe('crossings that are moved by hand', () => {
  const found = [0, 1].map((column) => ({ row: 0, column, x: 10 * column, y: 5, certainty: 0.2, red: { x: 1, y: 0 } }));

  it('are certain where they were put, without the colours of where they were taken for', () => {
    const moved = movedOn([], found[1]!, { x: 12, y: 6 });
    expect(withMoved(found, moved)).toEqual([found[0], { row: 0, column: 1, x: 12, y: 6, certainty: 1 }]);
    expect(withMoved(found, [])).toBe(found);
  });

  it('count as one move as long as the same one is dragged', () => {
    const once = movedOn(movedOn([], found[1]!, { x: 12, y: 6 }), found[1]!, { x: 13, y: 6 });
    expect(once).toEqual([{ row: 0, column: 1, x: 13, y: 6 }]);
    expect(movedOn(once, found[0]!, { x: 1, y: 1 })).toHaveLength(2);
  });
});
