import {
  type Bipolar,
  type Circuit,
  type Diode,
  type Element,
  type Mosfet,
  type Passive,
  type Source,
} from './circuit';
import { diodeJunction, type Junction, junctionCurrent, junctionOf, limited, type Operating } from './junctions';
import { LinearSystem } from './linearSystem';
import { sourceAt } from './waves';

/** Conductance across every junction, in siemens. */
const junctionShunt = 1e-12;
/** Conductance from every node to ground that keeps the equations soluble. */
const nodeShunt = 1e-14;

interface JunctionDevice {
  readonly anode: number;
  readonly cathode: number;
  readonly junction: Junction;
  /** Name of a diode; of none for the junctions of a transistor's bulk. */
  readonly name: string;
}

interface BipolarDevice {
  readonly name: string;
  readonly collector: number;
  readonly base: number;
  readonly emitter: number;
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
  readonly name: string;
  readonly drain: number;
  readonly gate: number;
  readonly source: number;
  readonly sign: number;
  readonly threshold: number;
  readonly gain: number;
  readonly lambda: number;
}

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

const microOhm = 1e6;

type Device = Diode | Bipolar | Mosfet;
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
  readonly junctions: JunctionDevice[] = [];
  readonly terminals = new Map<string, Terminals>();
  readonly equations: LinearSystem;
  private readonly sources: SourceStamp[] = [];
  private readonly bipolars: BipolarDevice[] = [];
  private readonly mosfets: MosfetDevice[] = [];
  private readonly indices = new Map<string, number>();
  /** Stamps of everything that is linear in direct current, at full supply. */
  private readonly linear: Float64Array;
  /** Voltages of the junctions at the last turn: diodes, then base-emitter and base-collector. */
  private readonly held: Float64Array;
  private readonly heldGates: Float64Array;
  private readonly operating: Operating = { amperes: 0, siemens: 0 };
  private limitedSome = false;

  constructor(readonly circuit: Circuit) {
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
    this.held = new Float64Array(this.junctions.length + 2 * this.bipolars.length);
    this.heldGates = new Float64Array(2 * this.mosfets.length);
    this.stampLinear();
    this.linear = this.equations.matrix.slice();
  }

  /** The unknown of a node; undefined where there is no such node. */
  indexOf(node: string): number | undefined {
    return node === '0' ? this.ground : this.indices.get(node);
  }

  /** Puts the junctions where Newton's iteration starts from: at these voltages, or just conducting. */
  hold(from?: Float64Array): void {
    const { held, junctions, bipolars, mosfets, heldGates } = this;
    junctions.forEach(({ anode, cathode, junction }, j) => {
      held[j] = from ? from[anode]! - from[cathode]! : junction.critical;
    });
    bipolars.forEach(({ base, emitter, collector, sign, emitting }, q) => {
      const at = junctions.length + 2 * q;
      held[at] = from ? sign * (from[base]! - from[emitter]!) : emitting.critical;
      held[at + 1] = from ? sign * (from[base]! - from[collector]!) : 0;
    });
    mosfets.forEach(({ gate, source, drain, sign, threshold }, m) => {
      heldGates[2 * m] = from ? sign * (from[gate]! - from[source]!) : threshold;
      heldGates[2 * m + 1] = from ? sign * (from[drain]! - from[source]!) : 0;
    });
  }

  /**
   * Fills the equations around `x` and factors them.
   *
   * @param supply share of every independent source, 0 to 1
   * @param shunt siemens from every node to ground, on top of the usual
   * @param time seconds, for sources that change; undefined for direct current
   * @returns the unknown that nothing determines, or -1
   */
  assemble(
    x: Float64Array,
    supply: number,
    shunt: number,
    change: Change | undefined,
    time: number | undefined,
    reactive: Reactive | undefined,
  ): number {
    const { equations, ground } = this;
    equations.matrix.set(this.linear);
    equations.right.fill(0);
    this.stampSources(supply, time);
    if (shunt > 0) for (let node = 0; node < this.nodes.length; node += 1) equations.add(node, node, shunt);
    if (change) equations.conductance(change.a, change.b, change.siemens);
    reactive?.stamp(equations);
    x[ground] = 0;
    this.limitedSome = false;
    this.stampDevices(x, change?.without);
    return equations.factor();
  }

  /** The equations linearised around a point, row by row with one more row and column for ground. */
  linearised(point: Float64Array): Float64Array {
    const { equations } = this;
    this.hold(point);
    equations.matrix.set(this.linear);
    equations.right.fill(0);
    point[this.ground] = 0;
    this.stampDevices(point, undefined);
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

  /** Was some junction held back at the last assembly? */
  get holding(): boolean {
    return this.limitedSome;
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
    const between = within.map((ohms) => (ohms === undefined ? 0 : ohms === 0 ? microOhm : 1 / ohms));
    within.forEach((ohms, terminal) => {
      if (ohms === undefined) return;
      const name = innerName(element, terminal);
      this.resistors.push({ name, a: outer[terminal]!, b: inner[terminal]!, siemens: between[terminal]! });
    });
    this.terminals.set(element.name, { element, outer, inner, between });
    this.addDevice(element, outer, inner);
  }

  private addDevice(element: Device, outer: readonly number[], inner: readonly number[]): void {
    const { values, type } = element.model;
    const value = (key: string, usual: number) => values.get(key) ?? usual;
    const sign = type === 'pnp' || type === 'pmos' ? -1 : 1;
    if (element.kind === 'd') {
      this.junctions.push({
        name: element.name,
        anode: inner[0]!,
        cathode: inner[1]!,
        junction: diodeJunction(element.model, element.area),
      });
    } else if (element.kind === 'q') {
      const saturation = value('is', 1e-16) * element.area;
      const inverse = (key: string) => (values.has(key) && values.get(key)! > 0 ? 1 / values.get(key)! : 0);
      this.bipolars.push({
        name: element.name,
        collector: inner[0]!,
        base: inner[1]!,
        emitter: inner[2]!,
        sign,
        emitting: junctionOf(saturation, value('nf', 1)),
        collecting: junctionOf(saturation, value('nr', 1)),
        forwardGain: value('bf', 100),
        reverseGain: value('br', 1),
        early: inverse('vaf'),
        reverseEarly: inverse('var'),
      });
    } else {
      const [drain, gate, source] = inner as [number, number, number];
      this.mosfets.push({
        name: element.name,
        drain,
        gate,
        source,
        sign,
        threshold: sign * value('vto', 0),
        gain: value('kp', 2e-5) * element.ratio,
        lambda: value('lambda', 0),
      });
      // A bulk tied to the source goes with it when that leg opens.
      const bulk = outer[3] === outer[2] ? source : outer[3]!;
      const junction = junctionOf(value('is', 1e-14), 1);
      for (const end of [drain, source]) {
        if (end === bulk) continue;
        this.junctions.push(
          sign > 0
            ? { name: '', anode: bulk, cathode: end, junction }
            : { name: '', anode: end, cathode: bulk, junction },
        );
      }
    }
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

  /** A junction's voltage, held back where the step is too long. */
  private settle(at: number, junction: Junction, volts: number): number {
    const taken = limited(junction, volts, this.held[at]!);
    if (Math.abs(taken - volts) > 1e-9) this.limitedSome = true;
    this.held[at] = taken;
    return taken;
  }

  private stampDevices(x: Float64Array, without: number | undefined): void {
    const { equations, junctions, bipolars, mosfets, operating } = this;
    const { right } = equations;
    for (let j = 0; j < junctions.length; j += 1) {
      if (j === without) continue;
      const { anode, cathode, junction } = junctions[j]!;
      const volts = this.settle(j, junction, x[anode]! - x[cathode]!);
      junctionCurrent(junction, volts, operating);
      const source = operating.amperes - operating.siemens * volts;
      equations.conductance(anode, cathode, operating.siemens + junctionShunt);
      right[anode]! -= source;
      right[cathode]! += source;
    }
    for (let q = 0; q < bipolars.length; q += 1) {
      const one = bipolars[q]!;
      const { collector: c, base: b, emitter: e, sign } = one;
      const at = junctions.length + 2 * q;
      const vbe = this.settle(at, one.emitting, sign * (x[b]! - x[e]!));
      const vbc = this.settle(at + 1, one.collecting, sign * (x[b]! - x[c]!));
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
      equations.add(c, b, icBe + icBc);
      equations.add(c, e, -icBe);
      equations.add(c, c, -icBc);
      equations.add(b, b, ibBe + ibBc);
      equations.add(b, e, -ibBe);
      equations.add(b, c, -ibBc);
      equations.add(e, b, -(icBe + icBc + ibBe + ibBc));
      equations.add(e, e, icBe + ibBe);
      equations.add(e, c, icBc + ibBc);
      right[c]! -= intoC;
      right[b]! -= intoB;
      right[e]! += intoC + intoB;
      equations.conductance(b, e, junctionShunt);
      equations.conductance(b, c, junctionShunt);
    }
    for (let m = 0; m < mosfets.length; m += 1) this.stampMosfet(mosfets[m]!, m, x);
  }

  private stampMosfet(one: MosfetDevice, m: number, x: Float64Array): void {
    const { equations } = this;
    const { right } = equations;
    const { gate, sign, threshold, gain, lambda } = one;
    const step = (at: number, volts: number, most: number): number => {
      const before = this.heldGates[at]!;
      const taken = Math.max(before - most, Math.min(before + most, volts));
      if (taken !== volts) this.limitedSome = true;
      this.heldGates[at] = taken;
      return taken;
    };
    let vgs = step(2 * m, sign * (x[gate]! - x[one.source]!), 2);
    let vds = step(2 * m + 1, sign * (x[one.drain]! - x[one.source]!), 10);
    // The transistor is the same both ways: with the drain below the source they change places.
    let [drain, source] = [one.drain, one.source];
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

/** Capacitance of a junction's depletion layer at a voltage, in farads; linear beyond half the built-in voltage. */
function depletion({ model: { values }, area }: Extract<Element, { kind: 'd' }>, volts: number): number {
  const zero = values.get('cjo')! * area;
  const [built, grading] = [values.get('vj') ?? 1, values.get('m') ?? 0.5];
  const share = volts / built;
  if (share < 0.5) return zero * (1 - share) ** -grading;
  return (zero / 0.5 ** (1 + grading)) * (1 - 0.5 * (1 + grading) + grading * share);
}

/** Ohms behind each terminal; undefined where a terminal has none and needs none for its faults. */
function resistancesOf(element: Device): (number | undefined)[] {
  const value = (key: string) => element.model.values.get(key) ?? 0;
  switch (element.kind) {
    case 'd':
      return [value('rs') > 0 ? value('rs') / element.area : undefined, undefined];
    case 'q':
      return ['rc', 'rb', 're'].map((key) => value(key) / element.area);
    case 'm':
      return [value('rd'), undefined, value('rs'), undefined];
  }
}
