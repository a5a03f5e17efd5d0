import { nextCorner, type Source } from '../elements';
import { type Analysis } from '../netlist';
import { type LinearSystem } from './linearSystem';
import { newton, NoConvergence, operatingPoint } from './operatingPoint';
import { type Change, type Reactive, type System } from './system';

/** Node voltages over time, on the solver's own steps. */
export interface Run {
  readonly seconds: readonly number[];
  /** Volts at each time, by node. */
  readonly volts: ReadonlyMap<string, readonly number[]>;
}

/** A coil with the currents that its own voltage depends on, itself among them. */
export interface Coil {
  readonly branch: number;
  readonly others: readonly { readonly coil: number; readonly at: number; readonly henries: number }[];
}

export function coilsOf({ circuit, branches }: System): Coil[] {
  const henries = new Map(
    circuit.elements.flatMap((one) => (one.kind === 'l' ? [[one.name, one.value] as const] : [])),
  );
  const order = [...henries.keys()];
  return [...henries].map(([name, own], coil): Coil => ({
    branch: branches.get(name)!,
    others: [
      { coil, at: branches.get(name)!, henries: own },
      ...circuit.elements.flatMap((one) => {
        if (one.kind !== 'k' || !one.coils.includes(name)) return [];
        const other = one.coils[0] === name ? one.coils[1] : one.coils[0];
        return [
          {
            coil: order.indexOf(other),
            at: branches.get(other)!,
            henries: one.factor * Math.sqrt(own * henries.get(other)!),
          },
        ];
      }),
    ],
  }));
}

/** Share of the local error that is let pass, and volts below which nothing counts. */
const relative = 2e-4;
const absolute = 2e-4;
const mostSteps = 400_000;

/** Companions of capacitors and coils between one moment and the next: trapezoidal, or Euler's backward. */
class Companions implements Reactive {
  private readonly capacitors: { readonly a: number; readonly b: number }[];
  private farads: Float64Array;
  /** Are there junctions among them, whose capacitance goes with their voltage? */
  private readonly changing: boolean;
  private readonly volts: Float64Array;
  private readonly amperes: Float64Array;
  private readonly coils: readonly Coil[];
  private readonly across: Float64Array;
  private readonly currents: Float64Array;
  step = 0;
  euler = true;

  constructor(
    private readonly system: System,
    point: Float64Array,
    given: boolean,
  ) {
    const all = system.capacitancesAt(point);
    this.capacitors = all.map(({ a, b }) => ({ a, b }));
    this.farads = Float64Array.from(all, ({ farads }) => farads);
    this.volts = Float64Array.from(all, ({ a, b, initial }) =>
      given && initial !== undefined ? initial : point[a]! - point[b]!,
    );
    this.changing = system.circuit.elements.some((one) => one.kind === 'd' && one.model.values.has('cjo'));
    this.amperes = new Float64Array(all.length);
    this.coils = coilsOf(system);
    this.across = new Float64Array(this.coils.length);
    this.currents = Float64Array.from(this.coils, ({ branch }) => point[branch]!);
  }

  stamp(equations: LinearSystem): void {
    const share = (this.euler ? 1 : 2) / this.step;
    this.capacitors.forEach(({ a, b }, c) => {
      const siemens = share * this.farads[c]!;
      const source = siemens * this.volts[c]! + (this.euler ? 0 : this.amperes[c]!);
      equations.conductance(a, b, siemens);
      equations.right[a]! += source;
      equations.right[b]! -= source;
    });
    this.coils.forEach(({ branch, others }, l) => {
      let held = this.euler ? 0 : this.across[l]!;
      for (const { coil, at, henries } of others) {
        equations.add(branch, at, -share * henries);
        held += share * henries * this.currents[coil]!;
      }
      equations.right[branch] = -held;
    });
  }

  /** Takes the solution as the new moment. */
  accept(x: Float64Array): void {
    const share = (this.euler ? 1 : 2) / this.step;
    this.capacitors.forEach(({ a, b }, c) => {
      const volts = x[a]! - x[b]!;
      this.amperes[c] = share * this.farads[c]! * (volts - this.volts[c]!) - (this.euler ? 0 : this.amperes[c]!);
      this.volts[c] = volts;
    });
    this.coils.forEach(({ others }, l) => {
      let rise = 0;
      for (const { coil, at, henries } of others) rise += henries * (x[at]! - this.currents[coil]!);
      this.across[l] = share * rise - (this.euler ? 0 : this.across[l]!);
    });
    this.coils.forEach(({ branch }, l) => {
      this.currents[l] = x[branch]!;
    });
    if (this.changing) this.farads = Float64Array.from(this.system.capacitancesAt(x), ({ farads }) => farads);
  }
}

/**
 * Runs a circuit through time: trapezoidal integration, steps chosen by how far the solution departs
 * from what the last ones foretold (Nagel 1975), corners of sources met exactly.
 *
 * @param change a fault that is there from the start
 * @throws NoConvergence when the steps become too small
 */
export function transient(
  system: System,
  analysis: Extract<Analysis, { kind: 'tran' }>,
  nodes: readonly string[],
  change?: Change,
): Run {
  const { circuit, size } = system;
  const sources = circuit.elements.filter((one): one is Source => one.kind === 'v' || one.kind === 'i');
  const x = analysis.given ? new Float64Array(size + 1) : operatingPoint(system, change ? { change } : {});
  if (analysis.given) for (const [node, volts] of circuit.initial) x[system.indexOf(node)!] = volts;
  const companions = new Companions(system, x, analysis.given);
  const largest = Math.min(analysis.most ?? Infinity, (analysis.stop - analysis.start) / 50);
  const smallest = analysis.stop * 1e-13;
  const at = nodes.map((node) => system.indexOf(node)!);
  const seconds: number[] = [];
  const volts = nodes.map((): number[] => []);
  const keep = (time: number, values: Float64Array) => {
    if (time < analysis.start) return;
    seconds.push(time);
    at.forEach((index, n) => volts[n]!.push(values[index]!));
  };
  let time = 0;
  let step = Math.min(largest, analysis.step) / 100;
  let sinceCorner = 0;
  const before = [x.slice(), x.slice()];
  const times = [0, 0];
  const trial = new Float64Array(size + 1);
  const foretold = new Float64Array(size + 1);
  if (!analysis.given) keep(0, x);
  for (let steps = 0; time < analysis.stop * (1 - 1e-12); steps += 1) {
    if (steps > mostSteps) throw new NoConvergence(`more than ${mostSteps} steps before ${analysis.stop} s`);
    const corner = Math.min(analysis.stop, ...sources.map((source) => nextCorner(source, time)));
    let taken = Math.min(step, largest);
    if (time + taken >= corner - smallest) taken = corner - time;
    else if (time + 2 * taken > corner) taken = (corner - time) / 2;
    companions.step = taken;
    companions.euler = sinceCorner < 2;
    const factor = sinceCorner < 2 ? 0 : taken / (times[0]! - times[1]! || taken);
    for (let i = 0; i < size; i += 1) foretold[i] = x[i]! + factor * (before[0]![i]! - before[1]![i]!);
    trial.set(sinceCorner < 2 ? x : foretold);
    system.hold(x, change);
    const iterations = newton(
      system,
      trial,
      { supply: 1, shunt: 0, change, time: time + taken, reactive: companions },
      25,
    );
    if (iterations < 0) {
      if (taken < smallest * 10) throw new NoConvergence(`the steps became too small at ${time} s`);
      step = taken / 8;
      continue;
    }
    let error = 0;
    if (sinceCorner >= 2) {
      for (let i = 0; i < system.nodes.length; i += 1) {
        const allowed = absolute + relative * Math.max(Math.abs(trial[i]!), Math.abs(x[i]!));
        error = Math.max(error, Math.abs(trial[i]! - foretold[i]!) / (allowed * 12));
      }
      if (error > 4 && taken > smallest * 1000) {
        step = taken * Math.max(0.2, 0.8 / Math.cbrt(error));
        continue;
      }
    }
    companions.accept(trial);
    time += taken;
    before[1]!.set(before[0]!);
    before[0]!.set(trial);
    times[1] = times[0]!;
    times[0] = time;
    x.set(trial);
    keep(time, x);
    const met = time >= corner - smallest;
    sinceCorner = met ? 0 : sinceCorner + 1;
    step = met
      ? Math.min(taken, largest / 50)
      : taken * (sinceCorner < 3 ? 1 : Math.min(2, Math.max(0.4, 0.9 / Math.cbrt(error + 1e-9))));
  }
  return { seconds, volts: new Map(nodes.map((node, n) => [node, volts[n]!])) };
}
