import { type Device } from '../elements';
import { type LinearSystem } from './linearSystem';

/** Places in the list of terminals that one leg of a part takes. */
export type Leg = readonly number[];

/**
 * What is not linear in a circuit (Nagel 1975; Shichman and Hodges 1968). Newton's iteration asks for
 * stamps around a point; every device holds itself back to a step that converges. Their terminals lie in
 * one list, in which a fault moves a leg to another unknown.
 */
export class Devices {
  /** Unknown of each terminal, now and without any fault. */
  private readonly at: Int32Array;
  private readonly home: Int32Array;
  /** Where the terminals of each device begin. */
  private readonly first: Int32Array;
  private heldSome = false;

  constructor(private readonly all: readonly Device[]) {
    this.home = Int32Array.from(all.flatMap(({ home }) => home));
    this.at = this.home.slice();
    let first = 0;
    this.first = Int32Array.from(all, ({ home }) => (first += home.length) - home.length);
  }

  /** The same devices with their terminals among other unknowns. */
  among(place: (unknown: number) => number): Devices {
    return new Devices(this.all.map((device) => device.among(place)));
  }

  /** Is the circuit linear? */
  get none(): boolean {
    return this.all.length === 0;
  }

  /** The unknowns that some device is on. */
  get unknowns(): ReadonlySet<number> {
    return new Set(this.home);
  }

  /** Takes a leg off its node and puts it on another. */
  move(leg: Leg, unknown: number): void {
    for (const terminal of leg) this.at[terminal] = unknown;
  }

  restore(leg: Leg): void {
    for (const terminal of leg) this.at[terminal] = this.home[terminal]!;
  }

  /** Was some device held back at the last stamp? */
  get holding(): boolean {
    return this.heldSome;
  }

  /** Puts the devices where Newton's iteration starts from: at these voltages, or just conducting. */
  hold(from?: Float64Array): void {
    this.all.forEach((device, d) => device.hold(this.at, this.first[d]!, from));
  }

  /** Is every device within some volts of where it was held? */
  near(x: Float64Array, volts: number): boolean {
    return this.all.every((device, d) => device.near(this.at, this.first[d]!, x, volts));
  }

  /**
   * Adds the devices, linearised around `x`.
   *
   * @param without index of a device that no longer conducts
   */
  stamp(equations: LinearSystem, x: Float64Array, without: number | undefined): void {
    const { all, at, first } = this;
    this.heldSome = false;
    for (let d = 0; d < all.length; d += 1)
      if (d !== without && all[d]!.stamp(at, first[d]!, equations, x)) this.heldSome = true;
  }
}
