import { type Analysis } from '../netlist';
import { LinearSystem } from './linearSystem';
import { type System } from './system';
import { coilsOf } from './transient';

/** What a small signal comes to over frequency. */
export interface Response {
  readonly hertz: Float64Array;
  /** Volts at each frequency, by node. */
  readonly magnitude: ReadonlyMap<string, Float64Array>;
  /** Degrees. */
  readonly phase: ReadonlyMap<string, Float64Array>;
}

/** The frequencies of an analysis, in hertz. */
export function frequenciesOf({ scale, points, from, to }: Extract<Analysis, { kind: 'ac' }>): Float64Array {
  if (scale === 'lin') {
    return Float64Array.from({ length: points }, (_, index) =>
      points === 1 ? from : from + ((to - from) * index) / (points - 1),
    );
  }
  const perFold = scale === 'dec' ? 10 : 2;
  const steps = Math.floor((Math.log(to / from) / Math.log(perFold)) * points + 1e-9);
  return Float64Array.from({ length: steps + 1 }, (_, index) => from * perFold ** (index / points));
}

/**
 * Small-signal response around an operating point. The complex equations are solved as real ones of
 * twice the size.
 *
 * @param point the operating point, as `operatingPoint` gives it
 */
export function smallSignal(
  system: System,
  point: Float64Array,
  analysis: Extract<Analysis, { kind: 'ac' }>,
  nodes: readonly string[],
): Response {
  const { circuit, size, ground } = system;
  const hertz = frequenciesOf(analysis);
  const linear = system.linearised(point);
  const double = new LinearSystem(2 * size);
  const stride = size + 1;
  /** The real or the imaginary half of an unknown; ground stays ground. */
  const half = (unknown: number, imaginary: boolean) =>
    unknown === ground ? 2 * size : unknown + (imaginary ? size : 0);
  const capacitances = system.capacitancesAt(point);
  const coils = coilsOf(system);
  const out = nodes.map((node) => ({
    node,
    at: system.indexOf(node)!,
    magnitude: new Float64Array(hertz.length),
    phase: new Float64Array(hertz.length),
  }));
  hertz.forEach((frequency, index) => {
    const omega = 2 * Math.PI * frequency;
    double.start();
    for (let i = 0; i < size; i += 1) {
      for (let j = 0; j < size; j += 1) {
        const value = linear[i * stride + j]!;
        if (value === 0) continue;
        double.add(i, j, value);
        double.add(i + size, j + size, value);
      }
    }
    /** Adds an imaginary entry. */
    const imaginary = (row: number, column: number, value: number) => {
      double.add(half(row, false), half(column, true), -value);
      double.add(half(row, true), half(column, false), value);
    };
    for (const { a, b, farads } of capacitances) {
      const susceptance = omega * farads;
      imaginary(a, a, susceptance);
      imaginary(b, b, susceptance);
      imaginary(a, b, -susceptance);
      imaginary(b, a, -susceptance);
    }
    for (const { branch, others } of coils)
      for (const { at, henries } of others) imaginary(branch, at, -omega * henries);
    for (const element of circuit.elements) {
      if (element.kind !== 'v' && element.kind !== 'i') continue;
      const { magnitude, degrees } = element.ac;
      const [real, turned] = [
        magnitude * Math.cos((degrees * Math.PI) / 180),
        magnitude * Math.sin((degrees * Math.PI) / 180),
      ];
      const feed = (unknown: number, sign: number) => {
        double.right[half(unknown, false)]! += sign * real;
        double.right[half(unknown, true)]! += sign * turned;
      };
      if (element.kind === 'v') feed(system.branches.get(element.name)!, 1);
      else {
        feed(system.indexOf(element.nodes[0])!, -1);
        feed(system.indexOf(element.nodes[1])!, 1);
      }
    }
    double.factor();
    double.solve(double.right);
    for (const { at, magnitude, phase } of out) {
      const [real, turned] = [double.right[half(at, false)]!, double.right[half(at, true)]!];
      magnitude[index] = Math.hypot(real, turned);
      phase[index] = (Math.atan2(turned, real) * 180) / Math.PI;
    }
  });
  return {
    hertz,
    magnitude: new Map(out.map(({ node, magnitude }) => [node, magnitude])),
    phase: new Map(out.map(({ node, phase }) => [node, phase])),
  };
}
