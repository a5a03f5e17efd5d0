import { type Device, type Equations } from './element';

/** What a channel carries from drain to source, with its slopes by gate, drain and bulk against the source. */
export interface ChannelCurrent {
  amperes: number;
  byGate: number;
  byDrain: number;
  byBulk: number;
}

/** How far one step may go, in volts. */
const steps = { gate: 2, drain: 10 } as const;

const scratch: ChannelCurrent = { amperes: 0, byGate: 0, byDrain: 0, byBulk: 0 };

/**
 * The channel of a field-effect transistor: drain, gate, source, bulk. It is the same both ways: with the
 * drain below the source the two change places.
 */
export class Channel implements Device {
  private heldGate = 0;
  private heldDrain = 0;

  /**
   * @param sign 1 for an n-channel, -1 for a p-channel
   * @param start volts of the gate at which it just conducts
   * @param law fills in the current for volts against the source; the drain is never below it
   */
  constructor(
    readonly home: readonly [number, number, number, number],
    private readonly sign: number,
    private readonly start: number,
    private readonly law: (gate: number, drain: number, bulk: number, into: ChannelCurrent) => void,
  ) {}

  hold(at: Int32Array, first: number, from?: Float64Array): void {
    const source = from ? from[at[first + 2]!]! : 0;
    this.heldGate = from ? this.sign * (from[at[first + 1]!]! - source) : this.start;
    this.heldDrain = from ? this.sign * (from[at[first]!]! - source) : 0;
  }

  near(at: Int32Array, first: number, x: Float64Array, volts: number): boolean {
    const source = x[at[first + 2]!]!;
    return (
      Math.abs(this.sign * (x[at[first + 1]!]! - source) - this.heldGate) <= volts &&
      Math.abs(this.sign * (x[at[first]!]! - source) - this.heldDrain) <= volts
    );
  }

  stamp(at: Int32Array, first: number, equations: Equations, x: Float64Array): boolean {
    const { sign } = this;
    const { right } = equations;
    const [gate, bulk] = [at[first + 1]!, at[first + 3]!];
    let [drain, source] = [at[first]!, at[first + 2]!];
    const wantedGate = sign * (x[gate]! - x[source]!);
    const wantedDrain = sign * (x[drain]! - x[source]!);
    this.heldGate = within(wantedGate, this.heldGate, steps.gate);
    this.heldDrain = within(wantedDrain, this.heldDrain, steps.drain);
    let [vgs, vds, vbs] = [this.heldGate, this.heldDrain, sign * (x[bulk]! - x[source]!)];
    if (vds < 0) {
      vgs -= vds;
      vbs -= vds;
      vds = -vds;
      [drain, source] = [source, drain];
    }
    this.law(vgs, vds, vbs, scratch);
    const { amperes, byGate, byDrain, byBulk } = scratch;
    const into = sign * (amperes - byGate * vgs - byDrain * vds - byBulk * vbs);
    const all = byGate + byDrain + byBulk;
    equations.add(drain, gate, byGate);
    equations.add(drain, bulk, byBulk);
    equations.add(drain, drain, byDrain);
    equations.add(drain, source, -all);
    equations.add(source, gate, -byGate);
    equations.add(source, bulk, -byBulk);
    equations.add(source, drain, -byDrain);
    equations.add(source, source, all);
    right[drain]! -= into;
    right[source]! += into;
    return this.heldGate !== wantedGate || this.heldDrain !== wantedDrain;
  }

  among(place: (unknown: number) => number): Channel {
    const [drain, gate, source, bulk] = this.home;
    return new Channel([place(drain), place(gate), place(source), place(bulk)], this.sign, this.start, this.law);
  }
}

const within = (wanted: number, before: number, most: number) =>
  Math.max(before - most, Math.min(before + most, wanted));
