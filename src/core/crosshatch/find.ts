import { Refusal } from '../quantity';
import { latticeOf, type Node, smoothMap } from './lattice';
import { candidatesIn, cellOf } from './likely';
import { meanOf, type Plane, planesOf, type Point, type Raster } from '../plane';
import { refined, type Refined } from './refine';

/** A crossing of a crosshatch in a picture. */
export interface Crossing extends Node {
  /** From 0 to 1: how surely it is where it is said to be. Below `certain` it is looked at by eye. */
  readonly certainty: number;
  /** Where the red and the blue lie beside the green, in pixels; absent where a colour cannot be read. */
  readonly red?: Point;
  readonly blue?: Point;
}

export const certain = 0.5;

/** The pattern that was photographed: how many upright and level lines it has. */
export interface Pattern {
  readonly across: number;
  readonly down: number;
}

/** Fewer pieces of a line than this share, and it lies on one side of the crossing. */
const oneSided = 0.6;

/** A place a crossing may be out by, as a share of a cell, and still be believed. */
const believed = 0.02;

/**
 * The crossings of a photographed crosshatch, row by row.
 *
 * @throws Refusal where there is no such pattern in the picture, with what there is
 */
export function findCrossings(picture: Raster, pattern: Pattern): Crossing[] {
  const { across, down } = pattern;
  refuseSize(picture, pattern);
  const planes = planesOf(picture);
  const all = meanOf([planes.red, planes.green, planes.blue]);
  const cell = cellOf(all, across, down);
  const candidates = cell ? candidatesIn(all, cell, across * down) : [];
  const lattice = cell && latticeOf(candidates, cell, down, across);
  if (!lattice) throw new Refusal(`there is no crosshatch in the picture: ${remedy}`);
  const { rows, columns, allRows, allColumns, found, smooth } = lattice;
  if (rows < down || columns < across) {
    if (allRows >= across && allColumns <= down && across !== down)
      throw new Refusal('the picture lies on its side: turn it, so that the top of the screen is up');
    throw new Refusal(
      `${allColumns} upright and ${allRows} level lines hang together, not ${across} and ${down}: ${remedy}, or say how many lines there are`,
    );
  }
  const known = new Map(found.map((node) => [node.row * across + node.column, node]));
  const green = standsOut(planes.green, all) ? planes.green : all;
  const first = everyPlace(pattern).map(({ row, column }) => {
    const near = known.get(row * across + column);
    const [right, below] = stepsAt(smooth, row, column);
    const about = near ?? smooth(row, column);
    return { row, column, right, below, about, sharp: refined(green, about, right, below) };
  });
  const sure = first.flatMap(({ row, column, sharp }): Node[] =>
    sharp ? [{ row, column, x: sharp.x, y: sharp.y }] : [],
  );
  if (sure.length < (across * down) / 2)
    throw new Refusal(`the lines are too faint or too soft to be measured: ${remedy}`);
  const again = smoothMap(sure, down, across);
  const misses = sure.map(({ row, column, x, y }) => away({ x, y }, again(row, column)));
  const usual = [...misses].sort((a, b) => a - b)[Math.floor(misses.length * 0.5)]!;
  const brightness = [...first].map(({ sharp }) => sharp?.contrast ?? 0).sort((a, b) => a - b)[
    Math.floor(first.length / 2)
  ]!;
  const { factor } = planes;
  const colours = [planes.red, planes.blue].map((plane) => (standsOut(plane, all) ? plane : undefined));
  return first.map(({ row, column, right, below, about, sharp }): Crossing => {
    const size = Math.min(Math.hypot(right.x, right.y), Math.hypot(below.x, below.y));
    if (!sharp || away(sharp, about) > 0.3 * size) return { row, column, ...inPicture(about, factor), certainty: 0 };
    const miss = away(sharp, again(row, column));
    // At an edge a line is there on one side alone, and how it goes on is known from its neighbours only.
    const allowed = sharp.read < oneSided ? 2.5 * usual + 0.015 * size : 6 * usual + 0.05 * size;
    const certainty =
      trust(sharp.error / (believed * size)) *
      trust(miss / allowed) *
      Math.min(1, sharp.read / 0.45) *
      Math.min(1, sharp.contrast / (0.2 * brightness));
    const [red, blue] = colours.map((plane) => plane && offsetOf(plane, sharp, right, below, factor));
    return { row, column, ...inPicture(sharp, factor), certainty, ...(red && { red }), ...(blue && { blue }) };
  });
}

const remedy = 'take it straight on, in focus, with the whole pattern in it and no other light';

/** Pictures of more points are refused. */
const mostPixels = 60e6;

function refuseSize({ width, height }: Raster, { across, down }: Pattern): void {
  if (![across, down].every((lines) => Number.isInteger(lines) && lines >= 3 && lines <= 60))
    throw new Refusal('a crosshatch has 3 to 60 lines across and down, like 15 and 11');
  if (width * height > mostPixels)
    throw new Refusal(
      `a picture of ${Math.round((width * height) / 1e6)} million points is more than the 60 million that are read`,
    );
  if (Math.min(width, height) < 12 * Math.min(across, down))
    throw new Refusal(
      `a picture of ${width} × ${height} is too small for ${across} × ${down} lines: 12 points a cell at least`,
    );
}

const trust = (share: number) => 1 / (1 + share ** 4);
const away = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);
/** A point of a plane as one of the picture: the middle of the pixels that were taken together. */
const inPicture = ({ x, y }: Point, factor: number): Point => ({
  x: (x + 0.5) * factor - 0.5,
  y: (y + 0.5) * factor - 0.5,
});

const everyPlace = ({ across, down }: Pattern) =>
  Array.from({ length: across * down }, (_, i) => ({ row: Math.floor(i / across), column: i % across }));

function stepsAt(smooth: (row: number, column: number) => Point, row: number, column: number): readonly [Point, Point] {
  const between = (a: Point, b: Point) => ({ x: b.x - a.x, y: b.y - a.y });
  return [
    between(smooth(row, column - 0.5), smooth(row, column + 0.5)),
    between(smooth(row - 0.5, column), smooth(row + 0.5, column)),
  ];
}

/** Whether a colour carries enough of the light to be measured by itself. */
function standsOut(colour: Plane, all: Plane): boolean {
  const top = ({ values }: Plane) => {
    let most = 0;
    for (let at = 0; at < values.length; at += 7) most = Math.max(most, values[at]!);
    return most;
  };
  return top(colour) > 0.4 * top(all);
}

function offsetOf(plane: Plane, centre: Refined, right: Point, below: Point, factor: number): Point | undefined {
  const own = refined(plane, centre, right, below);
  return own && { x: (own.x - centre.x) * factor, y: (own.y - centre.y) * factor };
}
