import { writeFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { type Point } from '@/core/plane';
import { seeded } from '@/core/statistics';
import { holeLine, photographedBoard, placeLine } from '@/core/tracing';

// Made-up photographs of a board and the lines that place its parts on them, for pictures of the application:
// tsx src/demo/drawBoard.ts FRONT.png BACK.png LINES.json
const [front, back, placed] = process.argv.slice(2);
const width = 1400;
const badness = { askew: 10, barrel: 0.01, noise: 0.02 };

/** A part’s pins: its first, and the others by how far they lie right and down of it. */
const laid = (x: number, y: number, ...others: readonly (readonly [number, number])[]): readonly Point[] => [
  { x, y },
  ...others.map(([right, down]) => ({ x: x + right, y: y + down })),
];
const across = [0.09, 0] as const;
const down = [0, 0.09] as const;
const legs = [
  [0.035, 0],
  [0.07, 0],
] as const;
const parts: Readonly<Record<string, readonly Point[]>> = {
  R1: laid(0.14, 0.08, across),
  R2: laid(0.14, 0.5, across),
  R3: laid(0.36, 0.08, down),
  R4: laid(0.46, 0.08, down),
  R5: laid(0.56, 0.08, down),
  R6: laid(0.66, 0.08, down),
  R7: laid(0.78, 0.5, across),
  Q1: laid(0.3, 0.36, ...legs),
  Q2: laid(0.58, 0.36, ...legs),
};
const corners = [laid(0.04, 0.04), laid(0.96, 0.04), laid(0.96, 0.58), laid(0.04, 0.58)].flat();
const at = (ref: string, pin: number) => parts[ref]![pin - 1]!;
const board = {
  high: 0.62,
  holes: [...Object.values(parts).flat(), ...corners],
  tracks: [
    [at('Q1', 3), { x: at('Q1', 3).x, y: 0.5 }, at('R2', 1)],
    [at('Q1', 2), { x: at('Q1', 2).x, y: 0.3 }, { x: at('Q2', 3).x, y: 0.3 }, at('Q2', 3)],
    [at('Q2', 2), { x: at('Q2', 2).x, y: 0.24 }, { x: at('R1', 2).x, y: 0.24 }, at('R1', 2)],
    [at('R3', 1), at('R6', 1)],
    [at('R4', 2), { x: at('R4', 2).x, y: 0.36 }, at('Q1', 3)],
    [at('R5', 2), { x: at('Q2', 1).x, y: at('R5', 2).y }, at('Q2', 1)],
  ],
  bodies: Object.values(parts),
};
const shots = (['front', 'back'] as const).map((side, index) => {
  const shot = photographedBoard(board, side, width, badness, seeded(3 + index));
  const png = new PNG({ width: shot.picture.width, height: shot.picture.height });
  png.data = Buffer.from(shot.picture.data);
  writeFileSync([front, back][index]!, PNG.sync.write(png));
  return (place: Point): Point => ({ x: shot.at(place).x / width, y: shot.at(place).y / width });
});
const [lies, seen] = shots as [(place: Point) => Point, (place: Point) => Point];
writeFileSync(
  placed!,
  JSON.stringify([
    ...corners.map((corner) => holeLine({ lies: lies(corner), seen: seen(corner) })),
    ...Object.entries(parts).map(([ref, shown]) => placeLine(ref, shown.map(lies))),
  ]),
);
