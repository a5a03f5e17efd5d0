import { changeFor, type CircuitFault, faultsOf } from './faults';
import { NoConvergence, operatingPoint } from './operatingPoint';
import { type Change, type System } from './system';

/** A fault with the voltages it would bring. */
export interface DictionaryEntry {
  readonly fault: CircuitFault;
  readonly change: Change;
  /** Node voltages, then branch currents. */
  readonly point: Float64Array;
}

/** Every fault of a circuit with the operating point it leads to; faults without one are left out. */
export function dictionaryOf(system: System, healthy: Float64Array, faults = faultsOf(system)): DictionaryEntry[] {
  return faults.flatMap((fault): DictionaryEntry[] => {
    try {
      const change = changeFor(system, fault);
      return [{ fault, change, point: operatingPoint(system, { change, from: healthy }) }];
    } catch (error) {
      if (error instanceof NoConvergence) return [];
      throw error;
    }
  });
}

/** A fault with how well it explains what was read. */
export interface RankedFault {
  readonly fault: CircuitFault;
  readonly probability: number;
  /** Faults of one number cannot be told apart at the nodes read. */
  readonly group: number;
}

/** Standard deviation of a part within its printed tolerance, and of the meter: uniform ±3 % and ±0.5 %. */
const partSpread = 0.03 / Math.sqrt(3);
const meterSpread = 0.005 / Math.sqrt(3);
/** A drift may be anything around its entry in the dictionary; what lies between two entries belongs to both. */
const driftSpread = 0.22;
/** Volts below which a reading says nothing. */
const meterFloor = 0.004;
/** Chance that a reading says nothing of the set. */
const slip = 1e-4;

/** How often a part of a kind fails in a way, against the others. */
function weightOf({ ref, mode, factor = 1 }: CircuitFault): number {
  const kind = ref.split('.').pop()![0]!.toLowerCase();
  // Resistors age upwards far more often than down.
  if (mode === 'value') return factor > 1 ? 0.5 : 0.15;
  if (kind === 'r') return mode === 'open' ? 1.5 : 0.1;
  if (kind === 'c') return 0.7;
  return 1;
}

/**
 * Ranks the faults of a dictionary by measured node voltages.
 *
 * Each fault predicts the readings with a covariance: every resistor's tolerance through its
 * sensitivity at that fault's own operating point, and the meter's error.
 *
 * @param readings volts by node
 * @throws Error when a node is not there
 */
export function rankFaults(
  system: System,
  dictionary: readonly DictionaryEntry[],
  readings: ReadonlyMap<string, number>,
): RankedFault[] {
  const read = [...readings].map(([node, volts]) => {
    const at = system.indexOf(node);
    if (at === undefined)
      throw new Error(
        `there is no node "${node}"; there are ${system.nodes.filter((one) => !one.includes(':')).join(', ')}`,
      );
    return { at, volts };
  });
  const logs = dictionary.map((entry) => Math.log(weightOf(entry.fault)) + logLikelihood(system, entry, read));
  const most = Math.max(...logs);
  const weights = logs.map((log) => Math.exp(log - most));
  const sum = weights.reduce((all, weight) => all + weight, 0);
  const groups = groupsOf(dictionary, read);
  return dictionary
    .map(({ fault }, index) => ({ fault, probability: weights[index]! / sum, group: groups[index]! }))
    .sort((a, b) => b.probability - a.probability);
}

interface Read {
  readonly at: number;
  readonly volts: number;
}

function logLikelihood(system: System, entry: DictionaryEntry, read: readonly Read[]): number {
  const { point } = entry;
  const covariance = covarianceAt(system, entry, read);
  const off = Float64Array.from(read, ({ at, volts }) => volts - point[at]!);
  const gauss = gaussianLog(off, covariance);
  // No reading weighs more than a slip would cost.
  return Math.max(
    gauss,
    read.length * Math.log(slip) - read.reduce((sum, { volts }) => sum + Math.log(Math.abs(volts) + 1), 0),
  );
}

/** Covariance of the readings under a fault, row by row, in volts squared. */
function covarianceAt(system: System, { fault, point, change }: DictionaryEntry, read: readonly Read[]): Float64Array {
  const broken = fault.mode === 'short' ? undefined : fault.ref.toLowerCase();
  const n = read.length;
  const covariance = new Float64Array(n * n);
  read.forEach(({ at }, i) => {
    covariance[i * n + i] = (meterSpread * point[at]!) ** 2 + meterFloor ** 2;
  });
  // The equations are factored around the point once; each resistor's tolerance is one more right side.
  const x = point.slice();
  system.hold(point, change);
  system.assemble(x, { supply: 1, shunt: 0, change });
  const moved = new Float64Array(system.size + 1);
  for (const { name, a, b, siemens } of system.resistors) {
    if (name.includes(':')) continue;
    const own = name === broken ? siemens + change.siemens : siemens;
    const amperes = own * (point[a]! - point[b]!);
    if (Math.abs(amperes) < 1e-12) continue;
    const spread = name === broken && fault.mode === 'value' ? driftSpread : partSpread;
    moved.fill(0);
    moved[a] = amperes * spread;
    moved[b]! -= amperes * spread;
    system.equations.solve(moved);
    for (let i = 0; i < n; i += 1)
      for (let j = 0; j < n; j += 1)
        covariance[i * n + j]! += valueAt(moved, read[i]!.at, system) * valueAt(moved, read[j]!.at, system);
  }
  return covariance;
}

const valueAt = (values: Float64Array, at: number, { ground }: System): number => (at === ground ? 0 : values[at]!);

/** Log-density of a deviation under a covariance, by Cholesky. */
function gaussianLog(off: Float64Array, covariance: Float64Array): number {
  const n = off.length;
  const l = covariance.slice();
  let log = -0.5 * n * Math.log(2 * Math.PI);
  const z = off.slice();
  for (let i = 0; i < n; i += 1) {
    for (let j = 0; j <= i; j += 1) {
      let sum = l[i * n + j]!;
      for (let k = 0; k < j; k += 1) sum -= l[i * n + k]! * l[j * n + k]!;
      l[i * n + j] = i === j ? Math.sqrt(Math.max(sum, 1e-18)) : sum / l[j * n + j]!;
    }
    for (let k = 0; k < i; k += 1) z[i]! -= l[i * n + k]! * z[k]!;
    z[i]! /= l[i * n + i]!;
    log -= Math.log(l[i * n + i]!) + 0.5 * z[i]! * z[i]!;
  }
  return log;
}

/** Two voltages closer than this are one to a meter. */
const alike = { share: 0.02, volts: 0.03 };

/** Numbers the groups of faults whose voltages are alike at every node read. */
function groupsOf(dictionary: readonly DictionaryEntry[], read: readonly Read[]): number[] {
  const leaders: number[] = [];
  return dictionary.map(({ point }, index) => {
    const group = leaders.findIndex((leader) =>
      read.every(({ at }) => {
        const [one, other] = [point[at]!, dictionary[leader]!.point[at]!];
        return Math.abs(one - other) <= Math.max(alike.share * Math.abs(other), alike.volts);
      }),
    );
    if (group >= 0) return group;
    leaders.push(index);
    return leaders.length - 1;
  });
}
