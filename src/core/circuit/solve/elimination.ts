/** A pivot is taken where it is at least this share of the largest entry it could be. */
const fairShare = 0.1;
/** With an order found for other values, a factor above this (rows scaled alike) asks for another order. */
const largestFactor = 1e3;

/**
 * Gaussian elimination that passes over what is zero. The order of the pivots is found once by counts
 * (Markowitz 1957) with a threshold on their size, and kept while it serves; where fill will come is
 * worked out in bits and kept while the places of the entries stay the same.
 *
 * Entries and their places lie row by row with one column more than there are unknowns, as
 * `LinearSystem` has them.
 */
export class Elimination {
  private readonly stride: number;
  private readonly words: number;
  /** Factors: below the pivots what is taken away, at them and right of them what is left. */
  private readonly values: Float64Array;
  private readonly scale: Float64Array;
  /** Places of entries, a bit for each column: as they were laid out, and with fill. */
  private readonly known: Int32Array;
  private readonly fill: Int32Array;
  /** Row and column of each pivot. */
  private readonly rows: Int32Array;
  private readonly columns: Int32Array;
  private ordered = false;
  private laidOut = false;
  /** Places of the entries in the matrix, by rows. */
  private readonly entryStart: Int32Array;
  private entry: Int32Array;
  /** For each pivot, where its list starts: rows that lose a share of its row, columns it has entries in. */
  private readonly lowerStart: Int32Array;
  private readonly upperStart: Int32Array;
  private lower: Int32Array;
  private upper: Int32Array;
  private readonly work: Float64Array;

  constructor(readonly size: number) {
    this.stride = size + 1;
    this.words = wordsOf(size);
    this.values = new Float64Array(this.stride * this.stride);
    this.scale = new Float64Array(size);
    this.known = new Int32Array(this.stride * this.words);
    this.fill = new Int32Array(this.stride * this.words);
    this.entryStart = new Int32Array(size + 1);
    this.entry = new Int32Array(size);
    this.rows = new Int32Array(size);
    this.columns = new Int32Array(size);
    this.lowerStart = new Int32Array(size + 1);
    this.upperStart = new Int32Array(size + 1);
    this.lower = new Int32Array(size);
    this.upper = new Int32Array(size);
    this.work = new Float64Array(size);
  }

  /**
   * Factors the matrix, which stays as it is.
   *
   * @param places where entries are: a bit for each column, by rows of `wordsOf(size)` words
   * @returns false where no order of fair pivots is at hand
   */
  factor(matrix: Float64Array, places: Int32Array): boolean {
    if (this.ordered) {
      this.layOut(places);
      this.measure(matrix);
      if (this.eliminate(matrix)) return true;
    }
    this.ordered = this.order(matrix);
    this.laidOut = false;
    if (!this.ordered) return false;
    this.layOut(places);
    this.measure(matrix);
    return this.eliminate(matrix);
  }

  /** Solves for a right-hand side, in place. */
  solve(right: Float64Array): void {
    const { values, size: n, stride, rows, columns, lowerStart, upperStart, lower, upper, work } = this;
    for (let k = 0; k < n; k += 1) {
      const value = right[rows[k]!]!;
      work[k] = value;
      if (value === 0) continue;
      const column = columns[k]!;
      for (let l = lowerStart[k]!; l < lowerStart[k + 1]!; l += 1) {
        const row = lower[l]!;
        right[row]! -= values[row * stride + column]! * value;
      }
    }
    for (let k = n - 1; k >= 0; k -= 1) {
      const top = rows[k]! * stride;
      let sum = work[k]!;
      for (let u = upperStart[k]!; u < upperStart[k + 1]!; u += 1) sum -= values[top + upper[u]!]! * right[upper[u]!]!;
      right[columns[k]!] = sum / values[top + columns[k]!]!;
    }
  }

  /** Solves the transposed equations for a right-hand side, in place. */
  solveTransposed(right: Float64Array): void {
    const { values, size: n, stride, rows, columns, lowerStart, upperStart, lower, upper, work } = this;
    for (let k = 0; k < n; k += 1) {
      const top = rows[k]! * stride;
      const value = right[columns[k]!]! / values[top + columns[k]!]!;
      work[k] = value;
      if (value === 0) continue;
      for (let u = upperStart[k]!; u < upperStart[k + 1]!; u += 1)
        right[upper[u]!]! -= values[top + upper[u]!]! * value;
    }
    for (let k = n - 1; k >= 0; k -= 1) {
      const column = columns[k]!;
      let sum = work[k]!;
      for (let l = lowerStart[k]!; l < lowerStart[k + 1]!; l += 1)
        sum -= values[lower[l]! * stride + column]! * right[lower[l]!]!;
      right[rows[k]!] = sum;
    }
  }

  /** How large the largest entry of each row is. */
  private measure(matrix: Float64Array): void {
    const { scale, size: n, entry, entryStart } = this;
    for (let i = 0; i < n; i += 1) {
      let largest = 0;
      for (let e = entryStart[i]!; e < entryStart[i + 1]!; e += 1) {
        const size = Math.abs(matrix[entry[e]!]!);
        if (size > largest) largest = size;
      }
      scale[i] = largest > 0 ? 1 / largest : 0;
    }
  }

  /** Lists where entries are, works out the fill that the order brings, and what each pivot touches. */
  private layOut(places: Int32Array): void {
    if (this.laidOut && alike(places, this.known)) return;
    const { size: n, stride, words, known, fill, rows, columns, entryStart, lowerStart, upperStart } = this;
    const [groundWord, groundBit] = [n >>> 5, 1 << (n & 31)];
    known.set(places);
    fill.set(places);
    let count = 0;
    for (let i = 0; i < n; i += 1) {
      entryStart[i] = count;
      fill[i * words + groundWord]! &= ~groundBit;
      if (count + n > this.entry.length) this.entry = grown(this.entry);
      count = listBits(fill, i * words, words, this.entry, count, i * stride);
    }
    entryStart[n] = count;
    let [below, beside] = [0, 0];
    for (let k = 0; k < n; k += 1) {
      lowerStart[k] = below;
      upperStart[k] = beside;
      if (below + n > this.lower.length) this.lower = grown(this.lower);
      if (beside + n > this.upper.length) this.upper = grown(this.upper);
      const { lower, upper } = this;
      const top = rows[k]! * words;
      const column = columns[k]!;
      const [word, bit] = [column >>> 5, 1 << (column & 31)];
      fill[top + word]! &= ~bit;
      beside = listBits(fill, top, words, upper, beside, 0);
      for (let later = k + 1; later < n; later += 1) {
        const at = rows[later]! * words;
        if ((fill[at + word]! & bit) === 0) continue;
        lower[below++] = rows[later]!;
        fill[at + word]! &= ~bit;
        for (let w = 0; w < words; w += 1) fill[at + w]! |= fill[top + w]!;
      }
    }
    lowerStart[n] = below;
    upperStart[n] = beside;
    this.laidOut = true;
  }

  /** @returns false where a pivot is too small for its column */
  private eliminate(matrix: Float64Array): boolean {
    const { values, scale, size: n, stride, rows, columns, lowerStart, upperStart, lower, upper } = this;
    values.set(matrix);
    for (let k = 0; k < n; k += 1) {
      const pivotRow = rows[k]!;
      const column = columns[k]!;
      const top = pivotRow * stride;
      const pivot = values[top + column]!;
      const least = Math.abs(pivot) * scale[pivotRow]! * largestFactor;
      if (!(least > 1e-300)) return false;
      const inverse = 1 / pivot;
      const [first, last] = [upperStart[k]!, upperStart[k + 1]!];
      for (let l = lowerStart[k]!; l < lowerStart[k + 1]!; l += 1) {
        const row = lower[l]!;
        const low = row * stride;
        const value = values[low + column]!;
        if (value === 0) continue;
        if (!(Math.abs(value) * scale[row]! <= least)) return false;
        const factor = value * inverse;
        values[low + column] = factor;
        for (let u = first; u < last; u += 1) values[low + upper[u]!]! -= factor * values[top + upper[u]!]!;
      }
    }
    return true;
  }

  /** Finds an order of pivots: the least fill by counts among those that are fair. */
  private order(matrix: Float64Array): boolean {
    const { values: m, scale, size: n, stride, rows, columns } = this;
    m.set(matrix);
    for (let i = 0; i < n; i += 1) {
      let most = 0;
      for (let j = 0; j < n; j += 1) most = Math.max(most, Math.abs(m[i * stride + j]!));
      scale[i] = most > 0 ? 1 / most : 0;
    }
    const left = { rows: Array.from({ length: n }, (_, i) => i), columns: Array.from({ length: n }, (_, j) => j) };
    const largest = new Float64Array(n);
    const [inRow, inColumn] = [new Int32Array(n), new Int32Array(n)];
    for (let k = 0; k < n; k += 1) {
      largest.fill(0);
      inRow.fill(0);
      inColumn.fill(0);
      for (const i of left.rows)
        for (const j of left.columns) {
          if (m[i * stride + j] === 0) continue;
          inRow[i]! += 1;
          inColumn[j]! += 1;
          largest[j] = Math.max(largest[j]!, Math.abs(m[i * stride + j]!) * scale[i]!);
        }
      let [row, column, fewest, strongest] = [-1, -1, Infinity, 0];
      for (const i of left.rows)
        for (const j of left.columns) {
          const size = Math.abs(m[i * stride + j]!) * scale[i]!;
          if (!(size > 1e-300) || size < fairShare * largest[j]!) continue;
          const count = (inRow[i]! - 1) * (inColumn[j]! - 1);
          if (count > fewest || (count === fewest && size <= strongest)) continue;
          [row, column, fewest, strongest] = [i, j, count, size];
        }
      if (row < 0) return false;
      rows[k] = row;
      columns[k] = column;
      left.rows.splice(left.rows.indexOf(row), 1);
      left.columns.splice(left.columns.indexOf(column), 1);
      for (const i of left.rows) {
        const value = m[i * stride + column]!;
        if (value === 0) continue;
        const factor = value / m[row * stride + column]!;
        for (const j of left.columns)
          if (m[row * stride + j] !== 0) m[i * stride + j]! -= factor * m[row * stride + j]!;
      }
    }
    return true;
  }
}

/** Words of 32 bits for a row of places, ground's column included. */
export const wordsOf = (size: number): number => (size + 32) >>> 5;

/** Lists the columns whose bits are set in a row, each with an offset. @returns where the list ends */
function listBits(bits: Int32Array, first: number, words: number, into: Int32Array, from: number, offset: number) {
  let at = from;
  for (let w = 0; w < words; w += 1) {
    let left = bits[first + w]!;
    while (left !== 0) {
      into[at++] = offset + w * 32 + 31 - Math.clz32(left & -left);
      left &= left - 1;
    }
  }
  return at;
}

function alike(a: Int32Array, b: Int32Array): boolean {
  for (let i = 0; i < a.length; i += 1) if (a[i] !== b[i]) return false;
  return true;
}

function grown(list: Int32Array): Int32Array {
  const longer = new Int32Array(2 * list.length + 64);
  longer.set(list);
  return longer;
}
