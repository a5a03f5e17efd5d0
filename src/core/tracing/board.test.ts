import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { distanceOf, type Point, roundSpotNear } from '../plane';
import { Refusal } from '../quantity';
import { gaussian, quantile, type Random, seeded } from '../statistics';
import {
  type Alignment,
  alignmentOf,
  drawingOf,
  laidLike,
  type MadeBoard,
  netOf,
  photographedBoard,
  pinPlaces,
  pinTable,
  placeLine,
  readTraceFile,
  sameHoles,
  shownPins,
  traceFile,
  traceOf,
  turnedQuarter,
  withTraced,
} from '.';
import { readTracedPart } from './part';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const point = fc.record({ x: share, y: share });
const near = ({ x, y }: Point) => ({ x: expect.closeTo(x, 6) as number, y: expect.closeTo(y, 6) as number });

describe('where the pins of a part lie', () => {
  const chip = readTracedPart('IC1 8');

  it('follows from what was shown of it: each pin, the ends of a row, three corners of two rows', () => {
    expect(shownPins(readTracedPart('Q5 npn'))).toEqual(['b', 'c', 'e']);
    expect(shownPins(readTracedPart('CN1 5'))).toEqual(['1', '5']);
    expect(shownPins(chip)).toEqual(['1', '4', '8']);
    const row = pinPlaces(readTracedPart('CN1 5'), [
      { x: 0.1, y: 0.2 },
      { x: 0.5, y: 0.2 },
    ]);
    expect(row.get('CN1.3')).toEqual(near({ x: 0.3, y: 0.2 }));
  });

  it('goes round a chip: pins that stand opposite add up to one more than it has', () => {
    fc.assert(
      fc.property(point, point, point, (first, end, opposite) => {
        const places = pinPlaces(chip, [first, end, opposite]);
        const across = { x: opposite.x - first.x, y: opposite.y - first.y };
        for (const pin of [1, 2, 3, 4]) {
          const [here, there] = [places.get(`IC1.${pin}`)!, places.get(`IC1.${9 - pin}`)!];
          expect(there).toEqual(near({ x: here.x + across.x, y: here.y + across.y }));
        }
      }),
    );
  });

  it('is nowhere until all is shown', () => {
    expect(pinPlaces(chip, [{ x: 0, y: 0 }]).size).toBe(0);
  });

  it('is moved with its first pin, and back where it was after four quarters', () =>
    fc.assert(
      fc.property(point, point, point, (first, second, to) => {
        const [at, other] = laidLike(to, [first, second]);
        expect(at).toEqual(near(to));
        expect(distanceOf(at!, other!)).toBeCloseTo(distanceOf(first, second), 9);
        const round = [1, 2, 3, 4].reduce<readonly Point[]>((shown) => turnedQuarter(shown), [first, second]);
        expect(round[1]).toEqual(near(second));
      }),
    ));
});

describe('lines of where things lie', () => {
  const read = (...lines: string[]) => traceOf(['R12 4k7', ...lines]);

  it('are written as they are read; a later one counts', () => {
    const shown = [
      { x: 0.25, y: 0.5 },
      { x: 0.3, y: 0.5 },
    ];
    const { board } = read('at R12 0 0 1 1', placeLine('R12', shown));
    expect(board.shown.get('R12')).toEqual(shown);
  });

  it.each([
    ['at R13 0.1 0.1 0.2 0.2', /no R13 here/],
    ['at R12 0.1 0.1', /write at R12 0.31 0.42 0.35 0.42/],
    ['at R12 0.1 0.1 0.2 -0.2', /shares of the board’s width/],
    ['hole 0.1 0.1 0.2 0.2', /take front and back first/],
    ['front what', /by its button/],
  ])('are refused where they say nothing: %s', (line, words) => {
    expect(() => withTraced(traceOf(['R12 4k7']), line)).toThrow(words);
  });

  it('refuse a hole in a row with two others, and forget holes when a photograph is taken anew', () => {
    const photos = ['front a/photo-front', 'back a/photo-back1'];
    const three = [...photos, 'hole 0.1 0.1 0.9 0.1', 'hole 0.9 0.1 0.1 0.1', 'hole 0.9 0.7 0.1 0.7'];
    expect(read(...three).board.holes).toHaveLength(3);
    expect(() => withTraced(read(...three), 'hole 0.9 0.4 0.1 0.4')).toThrow(Refusal);
    expect(alignmentOf(read(...three, 'hole 0.1 0.7 0.9 0.7').board.holes)).toBeDefined();
    const anew = read(...three, 'back a/photo-back2').board;
    expect(anew).toMatchObject({ holes: [], photos: [{ photo: 'a/photo-front' }, { photo: 'a/photo-back2' }] });
  });
});

describe('the back of a board laid on its front', () => {
  const [width, millimetres] = [600, 250];
  const holes = [
    ...[0.06, 0.94].flatMap((x) => [0.06, 0.6].map((y) => ({ x, y }))),
    ...Array.from({ length: 30 }, (_, i) => ({ x: 0.1 + 0.16 * (i % 6), y: 0.12 + 0.1 * Math.floor(i / 6) })),
  ];
  const made: MadeBoard = { high: 0.66, holes, tracks: [[holes[5]!, holes[12]!, holes[20]!]], bodies: [] };
  /** Both sides photographed; four holes clicked with a millimetre of scatter, in shares of the width. */
  const photographs = (barrel: number, random: Random) => {
    const [front, back] = (['front', 'back'] as const).map((side) =>
      photographedBoard(made, side, width, { askew: 18, barrel, noise: 0.02 }, random),
    ) as [Shot, Shot];
    const share = ({ x, y }: Point): Point => ({ x: x / width, y: y / width });
    const scale = distanceOf(front.at({ x: 0, y: 0.3 }), front.at({ x: 1, y: 0.3 })) / millimetres;
    const clicked = ({ at }: Shot, hole: Point) => {
      const { x, y } = at(hole);
      return { x: x + scale * gaussian(random), y: y + scale * gaussian(random) };
    };
    const apart = ({ projection }: Alignment) =>
      holes.map((hole) => (width / scale) * distanceOf(projection.at(share(back.at(hole))), share(front.at(hole))));
    return { front, back, share, clicked, apart };
  };
  type Shot = ReturnType<typeof photographedBoard>;

  it('lies within half a millimetre on 25 cm, by four clicks that scatter by a millimetre', () => {
    const { front, back, share, clicked, apart } = photographs(0, seeded(5));
    const middle = (shot: Shot, hole: Point) => {
      const { height, data } = shot.picture;
      const values = Float32Array.from({ length: width * height }, (_, i) => data[4 * i]! / 255);
      return share(roundSpotNear({ width, height, values }, clicked(shot, hole), 0.012 * width)!);
    };
    const shown = holes.slice(0, 4).map((hole) => ({ seen: middle(back, hole), lies: middle(front, hole) }));
    expect(Math.max(...apart(alignmentOf(shown)!))).toBeLessThan(0.5);
  });

  it('lies as near through a lens, by all holes that both sides show, and leaves a wrong one out', () => {
    const { front, back, share, clicked, apart } = photographs(0.02, seeded(7));
    const shown = holes
      .slice(0, 4)
      .map((hole) => ({ seen: share(clicked(back, hole)), lies: share(clicked(front, hole)) }));
    const wrong = { seen: share(back.at(holes[12]!)), lies: share(front.at(holes[13]!)) };
    const found = sameHoles(front.picture, back.picture, [...shown, wrong]);
    expect(found.length).toBeGreaterThan(25);
    const alignment = alignmentOf([...shown, wrong], found)!;
    expect(quantile(apart(alignment), 0.95)).toBeLessThan(0.5);
    expect(alignment.leftOut).toBeGreaterThan(0);
    expect(found).not.toContainEqual(wrong);
  });

  it('goes by what was shown where the photographs share nothing', () => {
    const { front, back, share } = photographs(0, seeded(9));
    const blank = { ...back.picture, data: back.picture.data.map(() => 90) };
    const shown = holes.slice(0, 4).map((hole) => ({ seen: share(back.at(hole)), lies: share(front.at(hole)) }));
    expect(sameHoles(front.picture, blank, shown)).toEqual([]);
    expect(alignmentOf(shown, [])).toMatchObject({ holes: 4, apart: undefined, leftOut: 0 });
  });
});

describe('a traced circuit drawn', () => {
  const lines = ['R1 1k', 'R2 2k2', 'Q1 npn', 'R9 1k', 'R1.1 +12', 'R1.2 Q1.b', 'R2.2 R1.2', 'R2.1 gnd', 'Q1.c +12'];
  const drawn = (...more: string[]) => {
    const { parts, facts } = traceOf([...lines, ...more]);
    return drawingOf(netOf(parts, facts));
  };
  const sides = ({ parts }: ReturnType<typeof drawn>, of: string) =>
    Object.fromEntries(parts.find(({ part }) => part.ref === of)!.pins.map(({ pin, side }) => [pin, side]));

  it('has what is high above and what is low below, whichever way round it was beeped', () => {
    expect(sides(drawn(), 'R1')).toEqual({ 1: 'above', 2: 'below' });
    expect(sides(drawn(), 'R2')).toEqual({ 1: 'below', 2: 'above' });
    expect(sides(drawn(), 'Q1')).toEqual({ b: 'left', c: 'above', e: 'below' });
  });

  it('has rails at their pins and wires between the others, one fewer than a node has pins', () => {
    const { parts, wires } = drawn();
    expect(parts.flatMap(({ part, pins }) => pins.map(({ pin, rail }) => [`${part.ref}.${pin}`, rail]))).toContainEqual(
      ['R2.1', 'gnd'],
    );
    expect(wires).toHaveLength(2);
    expect(wires.every(({ from, to }) => !from.startsWith('R2.1') && !to.startsWith('R2.1'))).toBe(true);
  });

  it('leaves out what hangs on nothing, until it does', () => {
    expect(drawn().parts.map(({ part }) => part.ref)).not.toContain('R9');
    expect(drawn('R9.1 Q1.e').parts.map(({ part }) => part.ref)).toContain('R9');
  });
});

describe('a traced board as a file', () => {
  const lines = ['R1 1k', 'C2 100n', 'R1.1 +12', 'at R1 0.1000 0.2000 0.3000 0.2000'];

  it('comes back as it was written, without the photographs of its job', () => {
    expect(readTraceFile(traceFile([...lines, 'front a/photo-front']))).toEqual(lines);
  });

  it.each([
    ['no file at all', /it is no JSON/],
    ['{"format": "another/1", "lines": []}', /format should be tovrik-trace\/1/],
    ['{"format": "tovrik-trace/1", "lines": ["R1 1k", "R1.1 Q5.b"]}', /line 2 of the board, "R1.1 Q5.b": there is no/],
    ['{"format": "tovrik-trace/1", "lines": [5]}', /not a traced board/],
  ])('is refused whole where it is wrong: %s', (text, words) => {
    expect(() => readTraceFile(text)).toThrow(words);
  });

  it('is a table of pins, with their nodes and places', () => {
    const { parts, facts, board } = traceOf(lines);
    const places = pinPlaces(parts[0]!, board.shown.get('R1')!);
    expect(pinTable(netOf(parts, facts), places).split('\n').slice(0, 4)).toEqual([
      'part,kind,pin,node,right,down',
      'R1,resistor,1,+12,0.1000,0.2000',
      'R1,resistor,2,n1,0.3000,0.2000',
      'C2,capacitor,1,n2,,',
    ]);
  });
});
