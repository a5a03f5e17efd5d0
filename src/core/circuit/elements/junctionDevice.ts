import { type Device, type Equations } from './element';
import { type Junction, junctionCurrent, limited, type Operating } from './junctions';

/** Conductance across every junction, in siemens. */
export const junctionShunt = 1e-12;

const operating: Operating = { amperes: 0, siemens: 0 };

/** A junction by itself: a diode, a bulk of a MOSFET, a gate of a JFET. Its terminals are anode and cathode. */
export class JunctionDevice implements Device {
  private held = 0;

  /** @param off does it begin without conducting? */
  constructor(
    readonly home: readonly [number, number],
    private readonly junction: Junction,
    private readonly off = false,
  ) {}

  hold(at: Int32Array, first: number, from?: Float64Array): void {
    this.held = from ? from[at[first]!]! - from[at[first + 1]!]! : this.off ? 0 : this.junction.critical;
  }

  near(at: Int32Array, first: number, x: Float64Array, volts: number): boolean {
    return Math.abs(x[at[first]!]! - x[at[first + 1]!]! - this.held) <= volts;
  }

  stamp(at: Int32Array, first: number, equations: Equations, x: Float64Array): boolean {
    const [anode, cathode] = [at[first]!, at[first + 1]!];
    const wanted = x[anode]! - x[cathode]!;
    const volts = limited(this.junction, wanted, this.held);
    this.held = volts;
    junctionCurrent(this.junction, volts, operating);
    const source = operating.amperes - operating.siemens * volts;
    equations.conductance(anode, cathode, operating.siemens + junctionShunt);
    equations.right[anode]! -= source;
    equations.right[cathode]! += source;
    return Math.abs(volts - wanted) > 1e-9;
  }

  among(place: (unknown: number) => number): JunctionDevice {
    return new JunctionDevice([place(this.home[0]), place(this.home[1])], this.junction, this.off);
  }
}
