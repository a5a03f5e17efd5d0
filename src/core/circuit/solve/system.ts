import { type Circuit, type Element, type Passive, type Source } from '../netlist';
import { type Device, DeviceList, type Devices, type Leg } from './devices';
import { LinearSystem, type Stamps } from './linearSystem';
import { sourceAt } from './waves';

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
  /** Index of a junction that no longer conducts. */
  readonly without?: number;
  /** Leg taken off its node `a` and put on the spare node `b`. */
  readonly leg?: Leg;
}

/** A capacitance between two unknowns, in farads. */
export interface Capacitance {
  readonly a: number;
  readonly b: number;
  readonly farads: number;
  /** Volts across it at the start, where they are given. */
  readonly initial?: number;
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

const isDevice = (element: Element): element is Device =>
  element.kind === 'd' || element.kind === 'q' || element.kind === 'm';

/** Name of the node behind the resistance of a terminal; no netlist can write one like it. */
const innerName = ({ name }: Device, terminal: number) => `${name}:${terminal}`;

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
  private readonly deviceList = new DeviceList();
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
    for (const element of circuit.elements) if (element.kind !== 'k') for (const node of element.nodes) index(node);
    // Parts with resistance of their own have nodes within.
    for (const element of circuit.elements) {
      if (!isDevice(element)) continue;
      resistancesOf(element).forEach((ohms, terminal) => ohms !== undefined && index(innerName(element, terminal)));
    }
    this.spare = names.length;
    names.push(':spare');
    this.nodes = names;
    let size = names.length;
    for (const { kind, name } of circuit.elements) if ('velh'.includes(kind)) this.branches.set(name, size++);
    this.size = size;
    this.ground = size;
    for (const element of circuit.elements) {
      if (element.kind === 'r') this.addResistor(element);
      else if (isDevice(element)) this.addPart(element);
      else if (element.kind === 'v' || element.kind === 'i') {
        const [plus, minus] = element.nodes.map((node) => this.at(node)) as [number, number];
        this.sources.push({ element, branch: this.branches.get(element.name) ?? -1, plus, minus });
      }
    }
    this.equations = new LinearSystem(size);
    this.devices = this.deviceList.build();
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
    return this.deviceList.leg(name, terminal);
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
    return this.circuit.elements.flatMap((element): Capacitance[] => {
      if (element.kind === 'c') {
        const [a, b] = element.nodes.map((node) => this.at(node)) as [number, number];
        return [
          { a, b, farads: element.value, ...(element.initial === undefined ? {} : { initial: element.initial }) },
        ];
      }
      if (element.kind !== 'd' || !element.model.values.has('cjo')) return [];
      const [a, b] = this.terminals.get(element.name)!.inner as [number, number];
      return [{ a, b, farads: depletion(element, point[a]! - point[b]!) }];
    });
  }

  private addResistor(element: Passive): void {
    const ends = element.nodes.map((node) => this.at(node));
    const [a, b] = ends as [number, number];
    this.resistors.push({ name: element.name, a, b, siemens: 1 / element.value });
    this.terminals.set(element.name, { element, outer: ends, inner: ends, between: [0, 0] });
  }

  private addPart(element: Device): void {
    const outer = element.nodes.map((node) => this.at(node));
    const within = resistancesOf(element);
    const inner = within.map((ohms, terminal) =>
      ohms === undefined ? outer[terminal]! : this.at(innerName(element, terminal)),
    );
    const between = within.map((ohms) => (ohms === undefined ? 0 : 1 / ohms));
    within.forEach((ohms, terminal) => {
      if (ohms === undefined) return;
      const name = innerName(element, terminal);
      this.resistors.push({ name, a: outer[terminal]!, b: inner[terminal]!, siemens: between[terminal]! });
    });
    // A bulk tied to the source lies behind the same resistance.
    if (element.kind === 'm' && outer[3] === outer[2]) inner[3] = inner[2]!;
    this.terminals.set(element.name, { element, outer, inner, between });
    this.deviceList.add(element, inner);
  }

  private at(node: string): number {
    return this.indexOf(node)!;
  }

  private stampLinear(): void {
    const { equations } = this;
    for (const { a, b, siemens } of this.resistors) equations.conductance(a, b, siemens);
    for (let node = 0; node < this.nodes.length; node += 1) equations.add(node, node, nodeShunt);
    for (const element of this.circuit.elements) {
      switch (element.kind) {
        case 'v':
        case 'l':
        case 'e':
        case 'h': {
          const branch = this.branches.get(element.name)!;
          const [plus, minus] = element.nodes.map((node) => this.at(node)) as [number, number];
          equations.add(plus, branch, 1);
          equations.add(minus, branch, -1);
          equations.add(branch, plus, 1);
          equations.add(branch, minus, -1);
          if (element.kind === 'e') {
            equations.add(branch, this.at(element.control[0]), -element.gain);
            equations.add(branch, this.at(element.control[1]), element.gain);
          }
          if (element.kind === 'h') equations.add(branch, this.branches.get(element.through)!, -element.gain);
          break;
        }
        case 'g': {
          const [plus, minus] = element.nodes.map((node) => this.at(node)) as [number, number];
          const [up, down] = element.control.map((node) => this.at(node)) as [number, number];
          equations.add(plus, up, element.gain);
          equations.add(plus, down, -element.gain);
          equations.add(minus, up, -element.gain);
          equations.add(minus, down, element.gain);
          break;
        }
        case 'f': {
          const [plus, minus] = element.nodes.map((node) => this.at(node)) as [number, number];
          const through = this.branches.get(element.through)!;
          equations.add(plus, through, element.gain);
          equations.add(minus, through, -element.gain);
          break;
        }
        default:
          break;
      }
    }
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

/** Capacitance of a junction's depletion layer at a voltage, in farads; linear beyond half the built-in voltage. */
function depletion({ model: { values }, area }: Extract<Element, { kind: 'd' }>, volts: number): number {
  const zero = values.get('cjo')! * area;
  const [built, grading] = [values.get('vj') ?? 1, values.get('m') ?? 0.5];
  const share = volts / built;
  if (share < 0.5) return zero * (1 - share) ** -grading;
  return (zero / 0.5 ** (1 + grading)) * (1 - 0.5 * (1 + grading) + grading * share);
}

/** Ohms behind each terminal; undefined where there are none. */
function resistancesOf(element: Device): (number | undefined)[] {
  const behind = (key: string) => {
    const ohms = element.model.values.get(key) ?? 0;
    return ohms > 0 ? ohms / ('area' in element ? element.area : 1) : undefined;
  };
  switch (element.kind) {
    case 'd':
      return [behind('rs'), undefined];
    case 'q':
      return ['rc', 'rb', 're'].map(behind);
    case 'm':
      return [behind('rd'), undefined, behind('rs'), undefined];
  }
}
