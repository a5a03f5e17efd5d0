import { Matrix, solve } from 'ml-matrix';
import { Refusal } from '../../quantity';

/** Light of a grey bar: red, green and blue, each 1 where they make the wished white together. */
export interface Light {
  readonly red: number;
  readonly green: number;
  readonly blue: number;
}

/** Light as a colour meter gives it (CIE 1931). */
export interface Chromatic {
  readonly x: number;
  readonly y: number;
  /** Candela a square metre, or any unit. */
  readonly Y: number;
}

/** Chromaticities of the phosphors that most colour tubes have, and of daylight (D65) as white. */
const phosphors = [
  [0.64, 0.33],
  [0.29, 0.6],
  [0.15, 0.06],
] as const;
export const daylight = { x: 0.3127, y: 0.329 };

const tristimulus = (x: number, y: number, Y = 1) => [(x * Y) / y, Y, ((1 - x - y) * Y) / y];

/**
 * What a colour meter read as amounts of the three phosphors, against the wished white at the same luminance.
 *
 * @throws Refusal for a chromaticity that is none
 */
export function lightOf({ x, y, Y }: Chromatic, white: { readonly x: number; readonly y: number } = daylight): Light {
  if (!(x > 0 && y > 0 && x + y < 1 && Y > 0))
    throw new Refusal('a colour is x and y, each above 0 and together below 1, with Y above 0, like 0.31, 0.33, 4.2');
  const columns = new Matrix(phosphors.map(([px, py]) => tristimulus(px, py))).transpose();
  const amounts = (of: readonly number[]) => solve(columns, Matrix.columnVector([...of])).to1DArray();
  const [is, wished] = [amounts(tristimulus(x, y, Y)), amounts(tristimulus(white.x, white.y))];
  const [red, green, blue] = is.map((one, i) => one / wished[i]!);
  return { red: red!, green: green!, blue: blue! };
}

/** What a colour meter reads of amounts of the three phosphors, each 1 at the wished white: x and y. */
export function chromaticOf(light: Light, white: { readonly x: number; readonly y: number } = daylight) {
  const columns = new Matrix(phosphors.map(([px, py]) => tristimulus(px, py))).transpose();
  const wished = solve(columns, Matrix.columnVector(tristimulus(white.x, white.y))).to1DArray();
  const amounts = [light.red, light.green, light.blue].map((one, i) => one * wished[i]!);
  const [X, Y, Z] = columns.mmul(Matrix.columnVector(amounts)).to1DArray();
  const sum = X! + Y! + Z!;
  return { x: X! / sum, y: Y! / sum };
}

/** A just noticeable difference of red and of blue against green, as a share: about 0.004 in u′v′ at a daylight white. */
export const noticeable = { red: 0.08, blue: 0.06 } as const;

/** How far a bar is from grey, in just noticeable differences. */
export function tintOf({ red, green, blue }: Light): {
  readonly red: number;
  readonly blue: number;
  readonly size: number;
} {
  const r = Math.log(red / green) / noticeable.red;
  const b = Math.log(blue / green) / noticeable.blue;
  return { red: r, blue: b, size: Math.hypot(r, b) };
}
