/** How a still pattern is shown after it has stood for a while: moved aside by shares of the screen, and dimmed. */
export interface Rest {
  readonly x: number;
  readonly y: number;
  readonly light: number;
}

const awake: Rest = { x: 0, y: 0, light: 1 };
/** A resting pattern moves on after so many seconds. */
const step = 20;
const aside = 0.03;
const places = [
  [1, 0],
  [1, 1],
  [0, 1],
  [-1, 1],
  [-1, 0],
  [-1, -1],
  [0, -1],
  [1, -1],
] as const;

/**
 * How a pattern that has stood still is shown, so that it burns nothing in.
 *
 * @param seconds since it was chosen or a key was pressed
 * @param after seconds that it may stand
 */
export function restOf(seconds: number, after: number): Rest {
  if (seconds < after) return awake;
  const [x, y] = places[Math.floor((seconds - after) / step) % places.length]!;
  return { x: x * aside, y: y * aside, light: 0.35 };
}
