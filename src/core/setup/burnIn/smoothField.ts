import { Matrix, solve } from 'ml-matrix';
import { median } from '../../statistics';

/** Places that the screen is looked at in, across and down. */
export const across = 160;
export const down = 120;

/** Powers of across and down that the lamp, the lens and the tube’s own fall-off are made of: to the fourth together. */
const powers = Array.from({ length: 25 }, (_, i) => [i % 5, Math.floor(i / 5)] as const).filter(([a, b]) => a + b <= 4);
const terms = powers.length;
/** The powers at every place of the field, made when the first field is looked at. */
let known: readonly (readonly number[])[] | undefined;
const basisOf = () =>
  (known ??= Array.from({ length: across * down }, (_, at) => {
    const x = (2 * ((at % across) + 0.5)) / across - 1;
    const y = (2 * (Math.floor(at / across) + 0.5)) / down - 1;
    return powers.map(([a, b]) => x ** a * y ** b);
  }));
/** Every so many places are enough to fit a smooth surface. */
const everyPlace = 3;

/**
 * The smooth field without its burns: a surface of the fourth power, fitted again and again with ever less weight for what
 * lies below it, since phosphor only loses light.
 */
export function smoothOf(field: Float64Array): Float64Array {
  const some = Array.from(field.keys()).filter((at) => at % everyPlace === 0);
  let weights = some.map(() => 1);
  let figures: Float64Array = new Float64Array(terms);
  for (let pass = 0; pass < 12; pass += 1) {
    figures = fitted(field, some, weights);
    const off = some.map((at) => field[at]! - surface(figures, at));
    const width = Math.max(1.48 * median(off.map(Math.abs)), 0.003);
    weights = off.map((by) => (by >= 0 ? 1 / (1 + (by / (3 * width)) ** 2) : 1 / (1 + (by / (1.5 * width)) ** 2) ** 2));
  }
  return field.map((_, at) => surface(figures, at));
}

/** The surface through some places, in weighted least squares. */
function fitted(field: Float64Array, some: readonly number[], weights: readonly number[]): Float64Array {
  const basis = basisOf();
  const normal = Array.from({ length: terms }, () => new Float64Array(terms));
  const right = new Float64Array(terms);
  some.forEach((at, k) => {
    const row = basis[at]!;
    for (let i = 0; i < terms; i += 1) {
      const weighted = weights[k]! * row[i]!;
      right[i]! += weighted * field[at]!;
      for (let j = 0; j < terms; j += 1) normal[i]![j]! += weighted * row[j]!;
    }
  });
  return Float64Array.from(
    solve(new Matrix(normal.map((row) => [...row])), Matrix.columnVector([...right])).to1DArray(),
  );
}

function surface(figures: Float64Array, at: number): number {
  const row = basisOf()[at]!;
  let value = 0;
  for (let i = 0; i < terms; i += 1) value += figures[i]! * row[i]!;
  return value;
}
