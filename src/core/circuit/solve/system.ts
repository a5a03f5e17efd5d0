import { type Capacitance, type Device, type Element, kindOf, type Places, type Source, sourceAt } from '../elements';
import { type Circuit } from '../netlist';
import { Devices, type Leg } from './devices';
import { LinearSystem, type Stamps } from './linearSystem';

/** Conductance from every node to ground that keeps the equations soluble. */
const nodeShunt = 1e-14;

/** A source with the unknowns it feeds; a current source has no branch. */
interface SourceStamp {
  readonly element: Source;
  readonly branch: number;
  readonly plus: number;
  readonly minus: number;
}

/** A resistor of the equations, the ones within parts included. */
export interface ResistorStamp {
  readonly name: string;
  readonly a: number;
  readonly b: number;
  readonly siemens: number;
}

/** Where a part's own terminals and its inner nodes lie, for faults. */
export interface Terminals {
  readonly element: Element;
  /** Unknown of each terminal, as the netlist names it. */
  readonly outer: readonly number[];
  /** Unknown behind the resistance of each terminal; the same where there is none. */
  readonly inner: readonly number[];
  /** Siemens between the two. */
  readonly between: readonly number[];
}

/** A change of one conductance, which every open, short and drift comes to. */
export interface Change {
  readonly a: number;
  readonly b: number;
  /** Added between them, in siemens. */
  readonly siemens: number;
  /** Index of a device that no longer conducts. */
  readonly without?: number;
  /** Leg taken off its node `a` and put on the spare node `b`. */
  readonly leg?: Leg;
}

/** Capacitors and coils as they stand at one moment of a transient. */
export interface Reactive {
  /** Adds their companions to the equations. */
  stamp(system: LinearSystem): void;
}

/** How the equations are to stand at one turn of Newton's iteration. */
export interface Pose {
  /** Share of every independent source, 0 to 1. */
  readonly supply: number;
  /** Siemens from every node to ground, on top of the usual. */
  readonly shunt: number;
  readonly change?: Change | undefined;
  /** Seconds, for sources that change; absent for direct current. */
  readonly time?: number;
  readonly reactive?: Reactive;
}

/** Name of the node behind the resistance of a terminal; no netlist can write one like it. */
const innerName = ({ name }: Element, terminal: number) => `${name}:${terminal}`;

/**
 * A circuit as equations of modified nodal analysis (Ho, Ruehli, Brennan 1975): unknowns are the node
 * voltages, then the currents of sources and coils. Ground is the unknown after the last.
 */
export class System {
  readonly nodes: readonly string[];
  readonly ground: number;
  readonly size: number;
  readonly branches = new Map<string, number>();
  readonly resistors: ResistorStamp[] = [];
  readonly devices: Devices;
  /** A node by itself, for a leg that a fault takes off its own. */
  readonly spare: number;
  readonly elements: ReadonlyMap<string, Element>;
  readonly terminals = new Map<string, Terminals>();
  readonly equations: LinearSystem;
  private readonly sources: SourceStamp[] = [];
  /** Of each part: the places that each of its terminals takes among the devices. */
  private readonly legs = new Map<string, readonly Leg[]>();
  /** Of each part: its first device. */
  private readonly firstDevice = new Map<string, number>();
  private readonly indices = new Map<string, number>();
  /** Stamps of everything that is linear in direct current, at full supply. */
  private readonly linearStamps: Stamps;

  constructor(readonly circuit: Circuit) {
    this.elements = new Map(circuit.elements.map((element) => [element.name, element]));
    const names: string[] = [];
    const index = (name: string) => {
      if (name === '0' || this.indices.has(name)) return;
      this.indices.set(name, names.length);
      names.push(name);
    };
    for (const element of circuit.elements) for (const node of element.nodes) index(node);
    // Parts with resistance of their own have nodes within.
    for (const element of circuit.elements)
      kindOf(element)
        .behind?.(element)
        .forEach((ohms, terminal) => ohms !== undefined && index(innerName(element, terminal)));
    this.spare = names.length;
    names.push(':spare');
    this.nodes = names;
    let size = names.length;
    for (const element of circuit.elements)
      if (kindOf(element).hasCurrent?.(element)) this.branches.set(element.name, size++);
    this.size = size;
    this.ground = size;
    const devices: Device[] = [];
    let places = 0;
    for (const element of circuit.elements) {
      this.place(element);
      for (const { device, legs } of this.devicesOf(element)) {
        if (!this.firstDevice.has(element.name)) this.firstDevice.set(element.name, devices.length);
        const taken = this.legs.get(element.name) ?? element.nodes.map((): Leg => []);
        const own = taken.map((leg, terminal) => [
          ...leg,
          ...legs.flatMap((one, index) => (one === terminal ? [places + index] : [])),
        ]);
        this.legs.set(element.name, own);
        places += device.home.length;
        devices.push(device);
      }
    }
    this.equations = new LinearSystem(size);
    this.devices = new Devices(devices);
    this.stampLinear();
    this.linearStamps = this.equations.stamps();
  }

  /** The unknown of a node; undefined where there is no such node. */
  indexOf(node: string): number | undefined {
    return node === '0' ? this.ground : this.indices.get(node);
  }

  /** Volts by node, ground left out, at a point. */
  voltsAt(point: Float64Array): Map<string, number> {
    return new Map(this.nodes.flatMap((node, at) => (node.includes(':') ? [] : [[node, point[at]!] as const])));
  }

  /** Unknowns that are voltages; the others are currents. */
  get voltages(): number {
    return this.nodes.length;
  }

  /** Was some junction held back at the last assembly? */
  get holding(): boolean {
    return this.devices.holding;
  }

  get linear(): boolean {
    return this.devices.none;
  }

  /** The places a terminal of a part takes among the devices. */
  legOf(name: string, terminal: number): Leg {
    return this.legs.get(name)![terminal]!;
  }

  /** The index of a part's first device. */
  deviceOf(name: string): number {
    return this.firstDevice.get(name)!;
  }

  /** Puts the junctions where Newton's iteration starts from: at these voltages, or just conducting. */
  hold(from?: Float64Array, change?: Change): void {
    if (change?.leg) this.devices.move(change.leg, change.b);
    this.devices.hold(from);
    if (change?.leg) this.devices.restore(change.leg);
  }

  /** Fills the equations around `x` and factors them. @returns the unknown that nothing determines, or -1 */
  assemble(x: Float64Array, { supply, shunt, change, time, reactive }: Pose): number {
    const { equations, ground, devices } = this;
    equations.start(this.linearStamps);
    this.stampSources(supply, time);
    if (shunt > 0) for (let node = 0; node < this.nodes.length; node += 1) equations.add(node, node, shunt);
    if (change) equations.conductance(change.a, change.b, change.siemens);
    reactive?.stamp(equations);
    x[ground] = 0;
    if (change?.leg) devices.move(change.leg, change.b);
    devices.stamp(equations, x, change?.without);
    if (change?.leg) devices.restore(change.leg);
    return equations.factor();
  }

  /** The equations without devices, at full supply. */
  linearPart(): { readonly matrix: Float64Array; readonly right: Float64Array } {
    this.equations.right.fill(0);
    this.stampSources(1, undefined);
    return { matrix: this.linearStamps.matrix, right: this.equations.right.slice() };
  }

  /** The equations linearised around a point, row by row with one more row and column for ground. */
  linearised(point: Float64Array): Float64Array {
    const { equations } = this;
    this.hold(point);
    equations.start(this.linearStamps);
    point[this.ground] = 0;
    this.devices.stamp(equations, point, undefined);
    return equations.matrix.slice();
  }

  /** Capacitances between nodes at a point, those of junctions among them, in farads. */
  capacitancesAt(point: Float64Array): Capacitance[] {
    return this.circuit.elements.flatMap((element): readonly Capacitance[] => {
      const { capacitances } = kindOf(element);
      return capacitances ? capacitances(element, this.terminals.get(element.name)!.inner, point) : [];
    });
  }

  /** Lays out an element's terminals, with the resistances behind them. */
  private place(element: Element): void {
    if (element.kind === 'v' || element.kind === 'i') {
      const [plus, minus] = element.nodes.map((node) => this.at(node)) as [number, number];
      this.sources.push({ element, branch: this.branches.get(element.name) ?? -1, plus, minus });
    }
    const outer = element.nodes.map((node) => this.at(node));
    const within = kindOf(element).behind?.(element) ?? [];
    const inner = outer.map((node, terminal) =>
      within[terminal] === undefined ? node : this.at(innerName(element, terminal)),
    );
    const between = outer.map((_, terminal) => (within[terminal] === undefined ? 0 : 1 / within[terminal]!));
    if (element.kind === 'r')
      this.resistors.push({ name: element.name, a: outer[0]!, b: outer[1]!, siemens: 1 / element.value });
    within.forEach((ohms, terminal) => {
      if (ohms === undefined) return;
      const name = innerName(element, terminal);
      this.resistors.push({ name, a: outer[terminal]!, b: inner[terminal]!, siemens: between[terminal]! });
    });
    this.terminals.set(element.name, { element, outer, inner, between });
  }

  private devicesOf(element: Element) {
    return kindOf(element).devices?.(element, this.terminals.get(element.name)!.inner, this.places) ?? [];
  }

  private get places(): Places {
    return { node: (name) => this.at(name), current: (name) => this.branches.get(name)! };
  }

  private at(node: string): number {
    return this.indexOf(node)!;
  }

  private stampLinear(): void {
    const { equations, places } = this;
    for (const { a, b, siemens } of this.resistors) equations.conductance(a, b, siemens);
    for (let node = 0; node < this.nodes.length; node += 1) equations.add(node, node, nodeShunt);
    for (const element of this.circuit.elements) kindOf(element).stamp?.(element, equations, places);
  }

  private stampSources(supply: number, time: number | undefined): void {
    const { right } = this.equations;
    for (const { element, branch, plus, minus } of this.sources) {
      const value = supply * (time === undefined ? element.dc : sourceAt(element, time));
      if (element.kind === 'v') right[branch]! += value;
      else {
        right[plus]! -= value;
        right[minus]! += value;
      }
    }
  }
}
