import { LinearSystem, type Stamps } from './linearSystem';
import { type Equations, newton } from './operatingPoint';
import { type Change, type System } from './system';
import { type Devices } from './devices';

/** What a change makes of the reduced equations. */
interface Changed {
  change: Change;
  /** How the rows and the columns of what is kept see the two ends. */
  readonly rows: Float64Array;
  readonly columns: Float64Array;
  /** The ends seen from the inner unknowns, by columns and by rows of the inverse. */
  readonly inward: Float64Array;
  readonly outward: Float64Array;
  /** One over (1/g + r), where r is the resistance between the ends behind what is kept. */
  factor: number;
  /** Volts between the ends that the inner sources alone bring. */
  bias: number;
}

/** Share of a change that must stay beside what it cancels; below it the equations are solved in full. */
const leastShare = 1e-8;
/** Volts that junctions may move by and the tangent still is the curve: half (v/Vt)^2 is below 1e-7. */
const closeBy = 1e-5;

/**
 * The equations of a circuit without its linear inside: only the unknowns on which devices are, the
 * rest eliminated once (the Schur complement). Newton's iteration then turns on a system as small as
 * the devices ask for, and a fault anywhere is a rank-one change of it (Sherman and Morrison 1950).
 */
export class Reduced implements Equations<Changed> {
  readonly equations: LinearSystem;
  readonly size: number;
  readonly voltages: number;
  private readonly devices: Devices;
  /** Unknown of the whole of each one kept, and of each one eliminated. */
  private readonly kept: Int32Array;
  private readonly inner: Int32Array;
  /** Of each unknown: its place among the kept; that of the reduced ground for ground, -1 for inner ones. */
  private readonly place: Int32Array;
  private readonly innerPlace: Int32Array;
  /** Inverse of the inner equations, row by row. */
  private readonly inverse: Float64Array;
  /** Inverse times the columns of the kept (inner by kept), and the rows of the kept times the inverse (kept by inner). */
  private readonly across: Float64Array;
  private readonly along: Float64Array;
  /** Reduced equations without devices, as the linear system lays them out, without and with a change. */
  private readonly healthy: Stamps;
  private readonly healthyRight: Float64Array;
  private readonly base: Stamps;
  private readonly baseRight: Float64Array;
  /** What the inner sources alone bring to the inner unknowns. */
  private readonly still: Float64Array;
  private readonly x: Float64Array;
  /** The point the equations were last factored around without a change, and these factors. */
  private around: Float64Array | undefined;
  private readonly aroundEquations: LinearSystem;
  private readonly step: Float64Array;
  /** The change at hand; there is only ever one. */
  private readonly changed: Changed;

  private constructor(
    private readonly system: System,
    kept: readonly number[],
    inner: readonly number[],
    inverse: Float64Array,
  ) {
    const { matrix, right } = system.linearPart();
    const stride = system.size + 1;
    const [m, n] = [kept.length, inner.length];
    this.size = m;
    this.kept = Int32Array.from(kept);
    this.inner = Int32Array.from(inner);
    this.voltages = kept.filter((unknown) => unknown < system.voltages).length;
    this.place = new Int32Array(stride).fill(-1);
    this.innerPlace = new Int32Array(stride).fill(-1);
    kept.forEach((unknown, at) => (this.place[unknown] = at));
    inner.forEach((unknown, at) => (this.innerPlace[unknown] = at));
    this.place[system.ground] = m;
    this.devices = system.devices.among((unknown) => this.place[unknown]!);
    this.inverse = inverse;
    this.across = new Float64Array(n * m);
    this.along = new Float64Array(m * n);
    this.still = new Float64Array(n);
    for (let i = 0; i < n; i += 1) {
      for (let k = 0; k < n; k += 1) {
        const entry = inverse[i * n + k]!;
        const back = inverse[k * n + i]!;
        this.still[i]! += entry * right[inner[k]!]!;
        for (let j = 0; j < m; j += 1) {
          this.across[i * m + j]! += entry * matrix[inner[k]! * stride + kept[j]!]!;
          this.along[j * n + i]! += matrix[kept[j]! * stride + inner[k]!]! * back;
        }
      }
    }
    this.equations = new LinearSystem(m);
    this.healthyRight = new Float64Array(m + 1);
    for (let i = 0; i < m; i += 1) {
      const row = kept[i]! * stride;
      this.healthyRight[i] = right[kept[i]!]!;
      for (let k = 0; k < n; k += 1) this.healthyRight[i]! -= matrix[row + inner[k]!]! * this.still[k]!;
      for (let j = 0; j < m; j += 1) {
        let entry = matrix[row + kept[j]!]!;
        for (let k = 0; k < n; k += 1) entry -= matrix[row + inner[k]!]! * this.across[k * m + j]!;
        if (entry !== 0) this.equations.add(i, j, entry);
      }
    }
    this.healthy = this.equations.stamps();
    this.base = this.equations.stamps();
    this.baseRight = this.healthyRight.slice();
    this.x = new Float64Array(m + 1);
    this.aroundEquations = new LinearSystem(m);
    this.step = new Float64Array(m + 1);
    this.changed = {
      change: { a: system.ground, b: system.ground, siemens: 1 },
      rows: new Float64Array(m),
      columns: new Float64Array(m),
      inward: new Float64Array(n),
      outward: new Float64Array(n),
      factor: 0,
      bias: 0,
    };
  }

  /** @returns undefined where the inside cannot be eliminated by itself */
  static of(system: System): Reduced | undefined {
    const keeps = keptOf(system);
    const all = Array.from({ length: system.size }, (_, unknown) => unknown);
    const inner = all.filter((unknown) => !keeps.has(unknown));
    const inverse = inverseOf(system, inner);
    return (
      inverse &&
      new Reduced(
        system,
        all.filter((unknown) => keeps.has(unknown)),
        inner,
        inverse,
      )
    );
  }

  /**
   * The operating point with a change, by Newton's iteration from a point.
   *
   * @returns all unknowns in the order of the whole; undefined where the iteration does not settle or
   * the change leaves too little of what it cancels
   */
  pointWith(change: Change, from: Float64Array, most = 60): Float64Array | undefined {
    const changed = this.take(change);
    if (!changed) return undefined;
    const { x, kept, size, devices } = this;
    for (let i = 0; i < size; i += 1) x[i] = from[kept[i]!]!;
    x[size] = 0;
    if (!change.leg && change.without === undefined && this.stepFrom(from, changed)) {
      if (devices.near(x, closeBy)) return this.whole(changed);
      return newton(this, x, changed, most, 1) > 0 ? this.whole(changed) : undefined;
    }
    if (change.leg) {
      x[this.place[change.b]!] = x[this.place[change.a]!]!;
      devices.move(change.leg, this.place[change.b]!);
    }
    devices.hold(x);
    const iterations = newton(this, x, changed, most);
    if (change.leg) devices.restore(change.leg);
    return iterations > 0 ? this.whole(changed) : undefined;
  }

  /**
   * How much a current into one node and out of another moves the unknowns read, around a point with a
   * change: for each unknown read a row of transfer resistances to every unknown (adjoint sensitivities,
   * Director and Rohrer 1969).
   *
   * @param point as `pointWith` gave it for the same change
   * @param into a row of `system.size + 1` for each unknown read, in ohms
   */
  transfers(change: Change, point: Float64Array, read: readonly number[], into: readonly Float64Array[]): boolean {
    const changed = this.take(change);
    if (!changed) return false;
    const { x, kept, inner, size: m, devices, equations, place, innerPlace, inverse, across, along } = this;
    const n = inner.length;
    for (let i = 0; i < m; i += 1) x[i] = point[kept[i]!]!;
    if (change.leg) devices.move(change.leg, place[change.b]!);
    devices.hold(x);
    const lost = this.assemble(x, changed) >= 0;
    if (change.leg) devices.restore(change.leg);
    if (lost) return false;
    const adjoint = equations.right;
    read.forEach((unknown, r) => {
      const row = into[r]!;
      row.fill(0);
      if (unknown === this.system.ground) return;
      const behind = innerPlace[unknown]!;
      adjoint.fill(0);
      if (behind < 0) adjoint[place[unknown]!] = 1;
      const seen = behind < 0 ? 0 : changed.inward[behind]!;
      for (let j = 0; j < m; j += 1) {
        if (behind >= 0) adjoint[j]! -= across[behind * m + j]!;
        adjoint[j]! -= changed.columns[j]! * changed.factor * seen;
      }
      equations.solveTransposed(adjoint);
      let through = seen;
      for (let j = 0; j < m; j += 1) {
        row[kept[j]!] = adjoint[j]!;
        through += changed.rows[j]! * adjoint[j]!;
      }
      through *= changed.factor;
      for (let i = 0; i < n; i += 1) {
        let value = (behind < 0 ? 0 : inverse[behind * n + i]!) - changed.outward[i]! * through;
        for (let j = 0; j < m; j += 1) value -= along[j * n + i]! * adjoint[j]!;
        row[inner[i]!] = value;
      }
    });
    return true;
  }

  get linear(): boolean {
    return this.devices.none;
  }

  get holding(): boolean {
    return this.devices.holding;
  }

  assemble(x: Float64Array, { change }: Changed): number {
    const { equations } = this;
    equations.start(this.base);
    equations.right.set(this.baseRight);
    x[this.size] = 0;
    this.devices.stamp(equations, x, change.without);
    return equations.factor();
  }

  /**
   * Newton's first turn from a solution, in place: the factors around it serve every change, each one by
   * the formula of Sherman and Morrison.
   *
   * @returns false where the change leaves too little of what it cancels
   */
  private stepFrom(from: Float64Array, { rows, columns, factor, bias }: Changed): boolean {
    const { x, step, size, devices, aroundEquations } = this;
    devices.hold(x);
    if (this.around !== from) {
      aroundEquations.start(this.healthy);
      devices.stamp(aroundEquations, x, undefined);
      this.around = aroundEquations.factor() < 0 ? from : undefined;
      if (!this.around) return false;
    }
    step.set(rows);
    aroundEquations.solve(step);
    let [seen, across] = [0, 0];
    for (let i = 0; i < size; i += 1) {
      seen += columns[i]! * step[i]!;
      across += columns[i]! * x[i]!;
    }
    const whole = 1 + factor * seen;
    if (!(Math.abs(whole) > leastShare)) return false;
    const share = factor * (bias + (across - factor * bias * seen) / whole);
    for (let i = 0; i < size; i += 1) x[i]! -= share * step[i]!;
    return true;
  }

  /** Puts a change into the reduced equations. */
  private take(change: Change): Changed | undefined {
    const { place, innerPlace, size: m, equations, baseRight, inverse, across, along, still } = this;
    const n = this.inner.length;
    const { changed } = this;
    const { rows, columns, inward, outward } = changed;
    for (const part of [rows, columns, inward, outward]) part.fill(0);
    let [resistance, bias] = [0, 0];
    for (const [unknown, sign] of [
      [change.a, 1],
      [change.b, -1],
    ] as const) {
      if (unknown === this.system.ground) continue;
      const behind = innerPlace[unknown]!;
      if (behind < 0) {
        rows[place[unknown]!]! += sign;
        columns[place[unknown]!]! += sign;
        continue;
      }
      bias += sign * still[behind]!;
      for (let i = 0; i < n; i += 1) {
        inward[i]! += sign * inverse[i * n + behind]!;
        outward[i]! += sign * inverse[behind * n + i]!;
      }
      for (let j = 0; j < m; j += 1) {
        rows[j]! -= sign * along[j * n + behind]!;
        columns[j]! -= sign * across[behind * m + j]!;
      }
    }
    for (const [unknown, sign] of [
      [change.a, 1],
      [change.b, -1],
    ] as const) {
      const behind = unknown === this.system.ground ? -1 : innerPlace[unknown]!;
      if (behind >= 0) resistance += sign * inward[behind]!;
    }
    const whole = 1 / change.siemens + resistance;
    if (!(Math.abs(whole * change.siemens) > leastShare)) return undefined;
    const factor = 1 / whole;
    equations.start(this.healthy);
    baseRight.set(this.healthyRight);
    for (let i = 0; i < m; i += 1) {
      const row = factor * rows[i]!;
      if (row === 0) continue;
      baseRight[i]! -= row * bias;
      for (let j = 0; j < m; j += 1) if (columns[j] !== 0) equations.add(i, j, row * columns[j]!);
    }
    equations.stampsInto(this.base);
    return Object.assign(changed, { change, factor, bias });
  }

  /** All unknowns from those kept. */
  private whole({ columns, inward, factor, bias }: Changed): Float64Array {
    const { x, kept, inner, size: m, still, across } = this;
    const point = new Float64Array(this.system.size + 1);
    let through = bias;
    for (let j = 0; j < m; j += 1) {
      point[kept[j]!] = x[j]!;
      through += columns[j]! * x[j]!;
    }
    through *= factor;
    for (let i = 0; i < inner.length; i += 1) {
      let value = still[i]! - inward[i]! * through;
      for (let j = 0; j < m; j += 1) value -= across[i * m + j]! * x[j]!;
      point[inner[i]!] = value;
    }
    return point;
  }
}

/** Unknowns with devices on them, the spare node, and whatever hangs on them by sources and coils alone. */
function keptOf(system: System): Set<number> {
  const { ground, size, voltages } = system;
  const { matrix } = system.linearPart();
  const stride = size + 1;
  const keeps = new Set([...system.devices.unknowns, system.spare]);
  keeps.delete(ground);
  for (let grown = true; grown;) {
    grown = false;
    for (let branch = voltages; branch < size; branch += 1) {
      if (keeps.has(branch)) continue;
      const ends = Array.from({ length: size }, (_, unknown) => unknown).filter(
        (unknown) => matrix[branch * stride + unknown] !== 0 || matrix[unknown * stride + branch] !== 0,
      );
      if (!ends.some((unknown) => keeps.has(unknown))) continue;
      for (const unknown of [branch, ...ends]) keeps.add(unknown);
      grown = true;
    }
  }
  return keeps;
}

/** Inverse of the equations among some unknowns, row by row; undefined where there is none. */
function inverseOf(system: System, unknowns: readonly number[]): Float64Array | undefined {
  const { matrix } = system.linearPart();
  const n = unknowns.length;
  const stride = system.size + 1;
  const linear = new LinearSystem(n);
  unknowns.forEach((row, i) => unknowns.forEach((column, j) => linear.add(i, j, matrix[row * stride + column]!)));
  if (linear.factor() >= 0) return undefined;
  const inverse = new Float64Array(n * n);
  const column = new Float64Array(n + 1);
  for (let j = 0; j < n; j += 1) {
    column.fill(0);
    column[j] = 1;
    linear.solve(column);
    for (let i = 0; i < n; i += 1) inverse[i * n + j] = column[i]!;
  }
  return inverse;
}
