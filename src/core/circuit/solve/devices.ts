import { type Bipolar, type Diode, type Mosfet } from '../netlist';
import { diodeJunction, type Junction, junctionCurrent, junctionOf, limited, type Operating } from './junctions';
import { type LinearSystem } from './linearSystem';

/** Conductance across every junction, in siemens. */
const junctionShunt = 1e-12;

export type Device = Diode | Bipolar | Mosfet;

interface JunctionDevice {
  readonly junction: Junction;
  /** Name of a diode; of none for the junctions of a transistor's bulk. */
  readonly name: string;
}

interface BipolarDevice {
  /** 1 for NPN, -1 for PNP. */
  readonly sign: number;
  readonly emitting: Junction;
  readonly collecting: Junction;
  readonly forwardGain: number;
  readonly reverseGain: number;
  /** 1 over the Early voltages. */
  readonly early: number;
  readonly reverseEarly: number;
}

interface MosfetDevice {
  readonly sign: number;
  readonly threshold: number;
  readonly gain: number;
  readonly lambda: number;
}

/** Places in the list of terminals that one leg of a part takes. */
export type Leg = readonly number[];

/**
 * What is not linear in a circuit: diodes, bipolar transistors, level-1 MOSFETs with their bulk
 * junctions (Nagel 1975; Shichman and Hodges 1968). Newton's iteration asks it for stamps around a
 * point; it holds each junction back to a step that converges.
 *
 * Terminals lie in one list: two of each junction, three of each bipolar transistor (collector, base,
 * emitter), three of each MOSFET (drain, gate, source).
 */
export class Devices {
  /** Unknown of each terminal. */
  private readonly at: Int32Array;
  private readonly firstBipolar: number;
  private readonly firstMosfet: number;
  /** Voltages of the junctions at the last turn: diodes, then base-emitter and base-collector. */
  private readonly held: Float64Array;
  private readonly heldGates: Float64Array;
  private readonly operating: Operating = { amperes: 0, siemens: 0 };
  private limitedSome = false;

  constructor(
    readonly junctions: readonly JunctionDevice[],
    private readonly bipolars: readonly BipolarDevice[],
    private readonly mosfets: readonly MosfetDevice[],
    private readonly home: Int32Array,
  ) {
    this.at = home.slice();
    this.firstBipolar = 2 * junctions.length;
    this.firstMosfet = this.firstBipolar + 3 * bipolars.length;
    this.held = new Float64Array(junctions.length + 2 * bipolars.length);
    this.heldGates = new Float64Array(2 * mosfets.length);
  }

  /** The same devices with their terminals among other unknowns. */
  among(place: (unknown: number) => number): Devices {
    return new Devices(this.junctions, this.bipolars, this.mosfets, this.home.map(place));
  }

  /** Is the circuit linear? */
  get none(): boolean {
    return this.home.length === 0;
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

  /** Was some junction held back at the last stamp? */
  get holding(): boolean {
    return this.limitedSome;
  }

  /** Puts the junctions where Newton's iteration starts from: at these voltages, or just conducting. */
  hold(from?: Float64Array): void {
    const { at, held, junctions, bipolars, mosfets, heldGates, firstBipolar, firstMosfet } = this;
    junctions.forEach(({ junction }, j) => {
      held[j] = from ? from[at[2 * j]!]! - from[at[2 * j + 1]!]! : junction.critical;
    });
    bipolars.forEach(({ sign, emitting }, q) => {
      const first = firstBipolar + 3 * q;
      const volts = (other: number) => sign * (from![at[first + 1]!]! - from![at[first + other]!]!);
      held[junctions.length + 2 * q] = from ? volts(2) : emitting.critical;
      held[junctions.length + 2 * q + 1] = from ? volts(0) : 0;
    });
    mosfets.forEach(({ sign, threshold }, m) => {
      const first = firstMosfet + 3 * m;
      const volts = (terminal: number) => sign * (from![at[first + terminal]!]! - from![at[first + 2]!]!);
      heldGates[2 * m] = from ? volts(1) : threshold;
      heldGates[2 * m + 1] = from ? volts(0) : 0;
    });
  }

  /** Is every junction and every gate within some volts of where it was held? */
  near(x: Float64Array, volts: number): boolean {
    const { at, held, junctions, bipolars, mosfets, heldGates, firstBipolar, firstMosfet } = this;
    const moved = (sign: number, plus: number, minus: number, before: number) =>
      Math.abs(sign * (x[at[plus]!]! - x[at[minus]!]!) - before) > volts;
    for (let j = 0; j < junctions.length; j += 1) if (moved(1, 2 * j, 2 * j + 1, held[j]!)) return false;
    for (let q = 0; q < bipolars.length; q += 1) {
      const [first, place, { sign }] = [firstBipolar + 3 * q, junctions.length + 2 * q, bipolars[q]!];
      if (moved(sign, first + 1, first + 2, held[place]!)) return false;
      if (moved(sign, first + 1, first, held[place + 1]!)) return false;
    }
    for (let m = 0; m < mosfets.length; m += 1) {
      const [first, { sign }] = [firstMosfet + 3 * m, mosfets[m]!];
      if (moved(sign, first + 1, first + 2, heldGates[2 * m]!)) return false;
      if (moved(sign, first, first + 2, heldGates[2 * m + 1]!)) return false;
    }
    return true;
  }

  /** A junction's voltage, held back where the step is too long. */
  private settle(at: number, junction: Junction, volts: number): number {
    const taken = limited(junction, volts, this.held[at]!);
    if (Math.abs(taken - volts) > 1e-9) this.limitedSome = true;
    this.held[at] = taken;
    return taken;
  }

  /**
   * Adds the devices, linearised around `x`.
   *
   * @param without index of a junction that no longer conducts
   */
  stamp(equations: LinearSystem, x: Float64Array, without: number | undefined): void {
    const { at, junctions, bipolars, mosfets, operating } = this;
    const { right } = equations;
    this.limitedSome = false;
    for (let j = 0; j < junctions.length; j += 1) {
      if (j === without) continue;
      const { junction } = junctions[j]!;
      const [anode, cathode] = [at[2 * j]!, at[2 * j + 1]!];
      const volts = this.settle(j, junction, x[anode]! - x[cathode]!);
      junctionCurrent(junction, volts, operating);
      const source = operating.amperes - operating.siemens * volts;
      equations.conductance(anode, cathode, operating.siemens + junctionShunt);
      right[anode]! -= source;
      right[cathode]! += source;
    }
    for (let q = 0; q < bipolars.length; q += 1) {
      const one = bipolars[q]!;
      const { sign } = one;
      const first = this.firstBipolar + 3 * q;
      const [c, b, e] = [at[first]!, at[first + 1]!, at[first + 2]!];
      const held = junctions.length + 2 * q;
      const vbe = this.settle(held, one.emitting, sign * (x[b]! - x[e]!));
      const vbc = this.settle(held + 1, one.collecting, sign * (x[b]! - x[c]!));
      junctionCurrent(one.emitting, vbe, operating);
      const { amperes: forward, siemens: forwardSlope } = operating;
      junctionCurrent(one.collecting, vbc, operating);
      const { amperes: reverse, siemens: reverseSlope } = operating;
      // Gummel and Poon without high injection: the base charge is the Early effect alone.
      const charge = Math.max(1e-3, 1 - vbc * one.early - vbe * one.reverseEarly);
      const across = forward - reverse;
      const ic = across * charge - reverse / one.reverseGain;
      const ib = forward / one.forwardGain + reverse / one.reverseGain;
      const icBe = forwardSlope * charge - across * one.reverseEarly;
      const icBc = -reverseSlope * charge - across * one.early - reverseSlope / one.reverseGain;
      const ibBe = forwardSlope / one.forwardGain;
      const ibBc = reverseSlope / one.reverseGain;
      const intoC = sign * (ic - icBe * vbe - icBc * vbc);
      const intoB = sign * (ib - ibBe * vbe - ibBc * vbc);
      equations.add(c, b, icBe + icBc - junctionShunt);
      equations.add(c, e, -icBe);
      equations.add(c, c, junctionShunt - icBc);
      equations.add(b, b, ibBe + ibBc + 2 * junctionShunt);
      equations.add(b, e, -ibBe - junctionShunt);
      equations.add(b, c, -ibBc - junctionShunt);
      equations.add(e, b, -(icBe + icBc + ibBe + ibBc) - junctionShunt);
      equations.add(e, e, icBe + ibBe + junctionShunt);
      equations.add(e, c, icBc + ibBc);
      right[c]! -= intoC;
      right[b]! -= intoB;
      right[e]! += intoC + intoB;
    }
    for (let m = 0; m < mosfets.length; m += 1) this.stampMosfet(mosfets[m]!, m, equations, x);
  }

  private stampMosfet(one: MosfetDevice, m: number, equations: LinearSystem, x: Float64Array): void {
    const { right } = equations;
    const { sign, threshold, gain, lambda } = one;
    const first = this.firstMosfet + 3 * m;
    const gate = this.at[first + 1]!;
    let [drain, source] = [this.at[first]!, this.at[first + 2]!];
    const step = (at: number, volts: number, most: number): number => {
      const before = this.heldGates[at]!;
      const taken = Math.max(before - most, Math.min(before + most, volts));
      if (taken !== volts) this.limitedSome = true;
      this.heldGates[at] = taken;
      return taken;
    };
    let vgs = step(2 * m, sign * (x[gate]! - x[source]!), 2);
    let vds = step(2 * m + 1, sign * (x[drain]! - x[source]!), 10);
    // The transistor is the same both ways: with the drain below the source they change places.
    if (vds < 0) {
      vgs -= vds;
      vds = -vds;
      [drain, source] = [source, drain];
    }
    const over = vgs - threshold;
    let [amperes, transfer, output] = [0, 0, 0];
    if (over > 0) {
      const modulation = 1 + lambda * vds;
      if (vds < over) {
        const shape = vds * (over - vds / 2);
        amperes = gain * modulation * shape;
        transfer = gain * modulation * vds;
        output = gain * (modulation * (over - vds) + lambda * shape);
      } else {
        amperes = (gain / 2) * over * over * modulation;
        transfer = gain * over * modulation;
        output = (gain / 2) * over * over * lambda;
      }
    }
    const into = sign * (amperes - transfer * vgs - output * vds);
    equations.add(drain, gate, transfer);
    equations.add(drain, source, -transfer - output);
    equations.add(drain, drain, output);
    equations.add(source, gate, -transfer);
    equations.add(source, source, transfer + output);
    equations.add(source, drain, -output);
    right[drain]! -= into;
    right[source]! += into;
  }
}

/** Gathers the devices of a circuit while its equations are laid out. */
export class DeviceList {
  private readonly junctions: (JunctionDevice & { readonly at: readonly [number, number] })[] = [];
  private readonly bipolars: (BipolarDevice & { readonly at: readonly number[] })[] = [];
  private readonly mosfets: (MosfetDevice & { readonly at: readonly number[] })[] = [];
  /** Of each part, by terminal: functions that give the places once all are known. */
  private readonly legs = new Map<string, (() => Leg)[]>();

  /** @param inner the unknown each terminal is on, in the order of the netlist */
  add(element: Device, inner: readonly number[]): void {
    const { values, type } = element.model;
    const value = (key: string, usual: number) => values.get(key) ?? usual;
    const sign = type === 'pnp' || type === 'pmos' ? -1 : 1;
    if (element.kind === 'd') {
      const place = this.addJunction(element.name, diodeJunction(element.model, element.area), inner[0]!, inner[1]!);
      this.legs.set(element.name, [() => [place], () => [place + 1]]);
    } else if (element.kind === 'q') {
      const saturation = value('is', 1e-16) * element.area;
      const inverse = (key: string) => (values.has(key) && values.get(key)! > 0 ? 1 / values.get(key)! : 0);
      const index = this.bipolars.push({
        at: inner,
        sign,
        emitting: junctionOf(saturation, value('nf', 1)),
        collecting: junctionOf(saturation, value('nr', 1)),
        forwardGain: value('bf', 100),
        reverseGain: value('br', 1),
        early: inverse('vaf'),
        reverseEarly: inverse('var'),
      });
      const first = () => 2 * this.junctions.length + 3 * (index - 1);
      this.legs.set(
        element.name,
        [0, 1, 2].map((terminal) => () => [first() + terminal]),
      );
    } else this.addMosfet(element, inner, sign);
  }

  /** Places that a terminal of a part takes; a bulk tied to the source goes with it. */
  leg(name: string, terminal: number): Leg {
    return this.legs.get(name)![terminal]!();
  }

  build(): Devices {
    const parts = [...this.junctions, ...this.bipolars, ...this.mosfets];
    return new Devices(this.junctions, this.bipolars, this.mosfets, Int32Array.from(parts.flatMap(({ at }) => at)));
  }

  private addJunction(name: string, junction: Junction, anode: number, cathode: number): number {
    return 2 * (this.junctions.push({ name, junction, at: [anode, cathode] }) - 1);
  }

  private addMosfet(element: Mosfet, inner: readonly number[], sign: number): void {
    const { values } = element.model;
    const value = (key: string, usual: number) => values.get(key) ?? usual;
    const [drain, gate, source, bulk] = inner as [number, number, number, number];
    const index = this.mosfets.push({
      at: [drain, gate, source],
      sign,
      threshold: sign * value('vto', 0),
      gain: value('kp', 2e-5) * element.ratio,
      lambda: value('lambda', 0),
    });
    const first = () => 2 * this.junctions.length + 3 * this.bipolars.length + 3 * (index - 1);
    const junction = junctionOf(value('is', 1e-14), 1);
    const ends: number[][] = [[], [], [], []];
    for (const [terminal, end] of [
      [0, drain],
      [2, source],
    ] as const) {
      if (end === bulk) continue;
      const place = sign > 0 ? this.addJunction('', junction, bulk, end) : this.addJunction('', junction, end, bulk);
      ends[terminal]!.push(sign > 0 ? place + 1 : place);
      ends[3]!.push(sign > 0 ? place : place + 1);
    }
    this.legs.set(element.name, [
      () => [first(), ...ends[0]!],
      () => [first() + 1],
      () => [first() + 2, ...ends[2]!, ...(bulk === source ? ends[3]! : [])],
      () => ends[3]!,
    ]);
  }
}
