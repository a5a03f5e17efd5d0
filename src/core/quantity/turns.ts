import { Refusal } from './refusal';

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

/** More turns than a control has. */
const mostTurns = 50;
const written = /^([+−-]?)(?:(\d+)\/(\d+)|(\d+(?:[.,]\d+)?))$/;

/**
 * Turns as they are typed, clockwise up: `1/8`, `-1/4`, `+0.5`.
 *
 * @throws Refusal where it is no such number, or no turn at all
 */
export function readTurn(text: string): number {
  const [, sign, upper, lower, plain] = written.exec(text.trim()) ?? [];
  const size = upper === undefined ? Number(plain?.replace(',', '.')) : Number(upper) / Number(lower);
  if (!(size > 0 && size <= mostTurns))
    throw new Refusal(`"${text}" is no turn: write 1/8 clockwise, or -1/8 the other way`);
  return sign === '' || sign === '+' ? size : -size;
}
