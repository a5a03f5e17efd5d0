const parts: readonly (readonly [number, string])[] = [
  [1 / 24, 'a hair'],
  [1 / 12, 'a twelfth of a turn'],
  [1 / 8, 'an eighth of a turn'],
  [1 / 6, 'a sixth of a turn'],
  [1 / 4, 'a quarter turn'],
  [1 / 3, 'a third of a turn'],
  [1 / 2, 'half a turn'],
  [2 / 3, 'two thirds of a turn'],
  [3 / 4, 'three quarters of a turn'],
  [1, 'one turn'],
];

/** `a sixth of a turn clockwise`, of turns with clockwise up. */
export function turnWords(turn: number): string {
  const size = Math.abs(turn);
  const way = turn >= 0 ? 'clockwise' : 'counter-clockwise';
  if (size > 1.15) return `${size.toFixed(1)} turns ${way}`;
  const [, words] = parts.reduce((best, part) =>
    Math.abs(Math.log(part[0] / size)) < Math.abs(Math.log(best[0] / size)) ? part : best,
  );
  return `${words} ${way}`;
}
