import { type WorkedBy } from '../log';

/** A place that was worked on, from 0 to 1 across the board and down it. */
export interface Worked {
  readonly x: number;
  readonly y: number;
  readonly by: WorkedBy;
  /** 0 nothing, 3 every time. */
  readonly answer: number;
}

/** Where the bad joint is likely to be. */
export interface JointArea {
  /** Chances by cell, row by row; they add up to 1. */
  readonly chances: Float64Array;
  readonly columns: number;
  readonly rows: number;
  /** Middle of the likeliest cell. */
  readonly x: number;
  readonly y: number;
  /** Radius of the smallest circle about it that holds half the chance. */
  readonly radius: number;
}

/** How far a way of working reaches, as a share of the board's width: heat stays, a knock travels. */
const reach: Readonly<Record<WorkedBy, number>> = { press: 0.12, tap: 0.18, heat: 0.08, chill: 0.07 };
/** Standard deviation of an answer, in its own steps. */
const spread = 0.9;
const [columns, rows] = [40, 30];

/**
 * The chance of each place to be the joint: work near it answers strongly, further off less, with the reach of
 * each way of working (a Gaussian). Undefined before anything answered.
 */
export function jointArea(worked: readonly Worked[]): JointArea | undefined {
  if (!worked.some(({ answer }) => answer > 0)) return undefined;
  const chances = new Float64Array(columns * rows);
  const middle = (cell: number) =>
    [((cell % columns) + 0.5) / columns, (Math.floor(cell / columns) + 0.5) / rows] as const;
  let most = -Infinity;
  for (let cell = 0; cell < chances.length; cell += 1) {
    const [x, y] = middle(cell);
    let log = 0;
    for (const one of worked) {
      const away = Math.hypot(one.x - x, one.y - y) / reach[one.by];
      const z = (one.answer - 3 * Math.exp(-0.5 * away * away)) / spread;
      log -= 0.5 * z * z;
    }
    chances[cell] = log;
    most = Math.max(most, log);
  }
  let sum = 0;
  for (let cell = 0; cell < chances.length; cell += 1) sum += chances[cell] = Math.exp(chances[cell]! - most);
  let best = 0;
  for (let cell = 0; cell < chances.length; cell += 1) {
    chances[cell]! /= sum;
    if (chances[cell]! > chances[best]!) best = cell;
  }
  const [x, y] = middle(best);
  const byDistance = Array.from(chances, (chance, cell) => {
    const [cx, cy] = middle(cell);
    return { chance, away: Math.hypot(cx - x, cy - y) };
  }).sort((a, b) => a.away - b.away);
  let held = 0;
  const edge = byDistance.find(({ chance }) => (held += chance) >= 0.5);
  return { chances, columns, rows, x, y, radius: Math.max(edge?.away ?? 0, 0.5 / columns) };
}
