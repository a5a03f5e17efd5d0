import { type Volts } from '../quantity';
import {
  type CircuitFault,
  type Dictionary,
  dictionaryOf,
  faultsOf,
  type Moves,
  type OverTime,
  soundSpreads,
} from './faults';
import { type Ladder, ladderOf } from './ladder';
import { checkCircuit, type Circuit, readNetlist, scaled, writeNetlist } from './netlist';
import { operatingPoint, System } from './solve';

/** Values turned for a try: factors by name of the part, and parameters of the netlist. */
export interface Turned {
  readonly factors: ReadonlyMap<string, number>;
  readonly parameters: ReadonlyMap<string, number>;
}

/** A netlist that was read, found soluble and solved at rest: the one way into a circuit. */
export class Stage {
  private drawn: Ladder | undefined;
  private known: ReadonlyMap<string, number> | undefined;

  private constructor(
    readonly text: string,
    readonly circuit: Circuit,
    readonly system: System,
    /** Volts of the unknowns at rest, by index. */
    readonly point: Float64Array,
  ) {}

  /**
   * @throws Refusal with the line where the text is no netlist or has no solution, or with the node that
   *   does not settle
   */
  static open(text: string): Stage {
    const circuit = readNetlist(text);
    checkCircuit(circuit);
    const system = new System(circuit);
    return new Stage(text, circuit, system, operatingPoint(system, { guessed: circuit.guessed }));
  }

  /** Expected volts by node. */
  get volts(): ReadonlyMap<string, number> {
    return (this.known ??= new Map(this.ladder.rungs.map(({ node, volts }) => [node, volts])));
  }

  /**
   * How far each node may read from where it stands, a standard deviation in volts.
   *
   * @param moves what may be off beside parts within their tolerance
   */
  spreads(moves: readonly Moves[]): ReadonlyMap<string, Volts> {
    return soundSpreads(this.system, this.point, moves);
  }

  /** Nodes as the netlist names them; those within parts are left out. */
  get nodes(): readonly string[] {
    return this.system.nodes.filter((node) => !node.includes(':'));
  }

  /** Nodes by height, with the parts between them. */
  get ladder(): Ladder {
    return (this.drawn ??= ladderOf(this.system, this.point));
  }

  /** How it runs through time, where the netlist asks for it. */
  get overTime(): OverTime | undefined {
    return this.circuit.analyses.find((one) => one.kind === 'tran');
  }

  /** Every way to break one part, in the order of the netlist. */
  get faults(): readonly CircuitFault[] {
    return faultsOf(this.system);
  }

  /** The operating point of every fault. */
  dictionary(onProgress?: (done: number, all: number) => void): Dictionary {
    return dictionaryOf(this.system, this.point, onProgress ? { onProgress } : {});
  }

  /** The circuit with values turned. @throws Refusal where a parameter makes a value impossible */
  turned({ factors, parameters }: Turned): Circuit {
    return scaled(parameters.size > 0 ? readNetlist(this.text, parameters) : this.circuit, factors);
  }

  /** The netlist with values turned. @throws Refusal where a parameter makes a value impossible */
  written(turned: Turned): string {
    return writeNetlist(this.turned(turned));
  }

  /** Where the nodes would stand with values turned. @throws Refusal where they would not settle */
  voltsWith(turned: Turned): ReadonlyMap<string, number> {
    const system = new System(this.turned(turned));
    return system.voltsAt(operatingPoint(system, { from: this.point }));
  }
}
