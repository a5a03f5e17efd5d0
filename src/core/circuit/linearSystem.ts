/**
 * A dense system of equations, factored in place by Gaussian elimination with pivots chosen against
 * the largest entry of their row: a node held by a thousand megohms must not drown beside one of milliohms.
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

  constructor(readonly size: number) {
    this.stride = size + 1;
    this.matrix = new Float64Array(this.stride * this.stride);
    this.right = new Float64Array(this.stride);
    this.order = new Int32Array(size);
    this.scale = new Float64Array(size);
  }

  add(row: number, column: number, value: number): void {
    this.matrix[row * this.stride + column]! += value;
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
