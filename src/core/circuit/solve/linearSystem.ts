import { Elimination, wordsOf } from './elimination';

/** What has been added to a system of equations: values, and a bit for each place that has one. */
export interface Stamps {
  readonly matrix: Float64Array;
  readonly places: Int32Array;
}

/**
 * A system of equations, factored by Gaussian elimination with pivots chosen against the largest entry
 * of their row: a node held by a thousand megohms must not drown beside one of milliohms. Zeros are
 * passed over; where no fair order of pivots is found for that, the whole is factored in place.
 *
 * The matrix has one row and column more than there are unknowns: stamps that fall on ground land in
 * the last ones and are never looked at.
 */
export class LinearSystem {
  /** Row by row. */
  readonly matrix: Float64Array;
  readonly right: Float64Array;
  private readonly order: Int32Array;
  /** One over the largest entry of each row. */
  private readonly scale: Float64Array;
  private readonly stride: number;
  private readonly sparse: Elimination;
  private passesZeros = false;
  /** Where something was added: a bit for each column, by rows. */
  private readonly places: Int32Array;
  private readonly words: number;

  constructor(readonly size: number) {
    this.sparse = new Elimination(size);
    this.stride = size + 1;
    this.words = wordsOf(size);
    this.places = new Int32Array(this.stride * this.words);
    this.matrix = new Float64Array(this.stride * this.stride);
    this.right = new Float64Array(this.stride);
    this.order = new Int32Array(size);
    this.scale = new Float64Array(size);
  }

  add(row: number, column: number, value: number): void {
    this.matrix[row * this.stride + column]! += value;
    this.places[row * this.words + (column >>> 5)]! |= 1 << (column & 31);
  }

  /** A copy of what has been added. */
  stamps(): Stamps {
    return { matrix: this.matrix.slice(), places: this.places.slice() };
  }

  /** Writes what has been added over other stamps. */
  stampsInto({ matrix, places }: Stamps): void {
    matrix.set(this.matrix);
    places.set(this.places);
  }

  /** Starts again from stamps, or from nothing; the right-hand side is cleared. */
  start(stamps?: Stamps): void {
    if (stamps) {
      this.matrix.set(stamps.matrix);
      this.places.set(stamps.places);
    } else {
      this.matrix.fill(0);
      this.places.fill(0);
    }
    this.right.fill(0);
  }

  /** Stamps a conductance between two nodes. */
  conductance(a: number, b: number, siemens: number): void {
    this.add(a, a, siemens);
    this.add(b, b, siemens);
    this.add(a, b, -siemens);
    this.add(b, a, -siemens);
  }

  /** Factors the matrix. @returns the unknown no equation determines, or -1 when all are */
  factor(): number {
    this.passesZeros = this.sparse.factor(this.matrix, this.places);
    return this.passesZeros ? -1 : this.factorWhole();
  }

  private factorWhole(): number {
    const { matrix: m, size: n, stride, order, scale } = this;
    for (let i = 0; i < n; i += 1) {
      let largest = 0;
      for (let j = 0; j < n; j += 1) largest = Math.max(largest, Math.abs(m[i * stride + j]!));
      scale[i] = largest > 0 ? 1 / largest : 0;
    }
    for (let k = 0; k < n; k += 1) {
      let pivot = k;
      let most = Math.abs(m[k * stride + k]!) * scale[k]!;
      for (let i = k + 1; i < n; i += 1) {
        const size = Math.abs(m[i * stride + k]!) * scale[i]!;
        if (size > most) [most, pivot] = [size, i];
      }
      if (!(most > 1e-300)) return k;
      order[k] = pivot;
      const top = k * stride;
      if (pivot !== k) {
        const low = pivot * stride;
        scale[pivot] = scale[k]!;
        for (let j = 0; j < n; j += 1) {
          const kept = m[top + j]!;
          m[top + j] = m[low + j]!;
          m[low + j] = kept;
        }
      }
      const inverse = 1 / m[top + k]!;
      for (let i = k + 1; i < n; i += 1) {
        const row = i * stride;
        if (m[row + k] === 0) continue;
        const factor = m[row + k]! * inverse;
        m[row + k] = factor;
        for (let j = k + 1; j < n; j += 1) m[row + j]! -= factor * m[top + j]!;
      }
    }
    return -1;
  }

  /** Solves for a right-hand side, in place, with the factors at hand. */
  solve(values: Float64Array): void {
    if (this.passesZeros) {
      this.sparse.solve(values);
      return;
    }
    const { matrix: m, size: n, stride, order } = this;
    for (let k = 0; k < n; k += 1) {
      const pivot = order[k]!;
      if (pivot !== k) {
        const kept = values[k]!;
        values[k] = values[pivot]!;
        values[pivot] = kept;
      }
    }
    for (let i = 1; i < n; i += 1) {
      const row = i * stride;
      let sum = values[i]!;
      for (let j = 0; j < i; j += 1) sum -= m[row + j]! * values[j]!;
      values[i] = sum;
    }
    for (let i = n - 1; i >= 0; i -= 1) {
      const row = i * stride;
      let sum = values[i]!;
      for (let j = i + 1; j < n; j += 1) sum -= m[row + j]! * values[j]!;
      values[i] = sum / m[row + i]!;
    }
  }

  /** Solves the transposed equations for a right-hand side, in place, with the factors at hand. */
  solveTransposed(values: Float64Array): void {
    if (this.passesZeros) {
      this.sparse.solveTransposed(values);
      return;
    }
    const { matrix: m, size: n, stride, order } = this;
    for (let i = 0; i < n; i += 1) {
      const value = values[i]! / m[i * stride + i]!;
      values[i] = value;
      for (let j = i + 1; j < n; j += 1) values[j]! -= m[i * stride + j]! * value;
    }
    for (let i = n - 1; i > 0; i -= 1) {
      const value = values[i]!;
      for (let j = 0; j < i; j += 1) values[j]! -= m[i * stride + j]! * value;
    }
    for (let k = n - 1; k >= 0; k -= 1) {
      const pivot = order[k]!;
      if (pivot !== k) {
        const kept = values[k]!;
        values[k] = values[pivot]!;
        values[pivot] = kept;
      }
    }
  }
}
