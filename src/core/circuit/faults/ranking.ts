import { sum, sumOf } from '../../statistics';
import { evenSpread, instruments, type Volts } from '../../quantity';
import { type Change, type System } from '../solve';
import { type Dictionary, type DictionaryEntry } from './dictionary';
import { type CircuitFault, unchanged } from './faults';
import { type Ripples } from './ripple';

/** A fault with how well it explains what was read. */
export interface RankedFault {
  readonly fault: CircuitFault;
  readonly probability: number;
  /** How much better it explains the readings than a sound circuit does: the logarithm of the ratio. */
  readonly advantage: number;
  /** Faults of one number cannot be told apart at the nodes read. */
  readonly group: number;
}

/** Standard deviation of a part within its printed tolerance, uniform ±3 %, and of the meter within its accuracy. */
const partSpread = 0.03 / Math.sqrt(3);
const meterSpread = instruments.multimeter.share * evenSpread;
/** A drift may be anything around its entry in the dictionary; what lies between two entries belongs to both. */
const driftSpread = 0.22;
/** Volts below which a reading says nothing. */
const meterFloor = 0.004;
/** Chance that a reading says nothing of the set. */
const outlier = 1e-4;
/**
 * A node that a fault leaves without volts seldom reads none: it floats, is fed back through what hangs on it, or the
 * short is no perfect one. Below so much of what it should have it is dead, and then so much of that its spread.
 */
const dead = { below: 0.1, spread: 0.03 };
/** Nats by which something must explain readings better than outliers would. */
const explains = 2;

/** How often a part of a kind fails in a way, against the others. */
export function weightOf({ ref, mode, factor = 1 }: CircuitFault): number {
  const kind = ref.split('.').pop()![0]!.toLowerCase();
  // Resistors age upwards far more often than down.
  if (mode === 'dry') return 1.5;
  if (mode === 'value') return factor > 1 ? 0.5 : 0.15;
  if (kind === 'r') return mode === 'open' ? 1.5 : 0.1;
  if (kind === 'c') return 0.7;
  return 1;
}

/** How the faults of a dictionary stand, likeliest first. */
export interface Ranking {
  readonly faults: readonly RankedFault[];
  /** Chance that every part is within its tolerance, against all faults together. */
  readonly nothing: number;
  /** How well a sound circuit explains the readings: the logarithm of their density, in volts. */
  readonly sound: number;
  /** Neither a sound circuit nor any single fault explains the volts that were read. */
  readonly unexplained: boolean;
}

/** A stage that is looked into is broken about as often as not. */
const brokenAsOften = 1;

/** By how many volts something moves nodes. */
export type Moves = ReadonlyMap<string, Volts>;

/** What was read of a stage, in volts by node. */
export interface StageReadings {
  readonly volts: ReadonlyMap<string, number>;
  /** Standard deviations in volts of what sources give, by the node they feed; exact where absent. */
  readonly sources?: ReadonlyMap<string, number>;
  /** Standard deviation in volts of what lies between base and emitter of a transistor; none where absent. */
  readonly junctions?: number;
  /** What else may be off than parts within their tolerance: for each, by how many volts a standard deviation of it moves nodes. */
  readonly moves?: readonly Moves[];
  /** Peak to peak. */
  readonly ripple?: ReadonlyMap<string, number>;
  /** How the nodes move, of a stage that is run through time: its means stand for the operating point. */
  readonly ripples?: Ripples;
}

/** Standard deviations of the logarithm of a ripple: by a fault that was run through time, by a capacitor that may be drier or less dry than the one run, and by a fault that was not run. */
const rippleSpread = { known: 0.2, dry: 0.7, unknown: 0.9 };
/** Volts of ripple below which a meter shows nothing. */
const rippleFloor = 0.01;

/** How well the ripple read fits a fault, as a log-likelihood. */
function logOfRipple({ ripple, ripples }: StageReadings, fault: CircuitFault | undefined): number {
  if (!ripple || !ripples) return 0;
  const own = ripples.get(fault);
  const usual = ripples.get(undefined)!;
  const spread = !own ? rippleSpread.unknown : fault?.mode === 'dry' ? rippleSpread.dry : rippleSpread.known;
  let log = 0;
  for (const [node, volts] of ripple) {
    const expected = (own ?? usual).get(node)?.ripple ?? 0;
    const z = Math.log((volts + rippleFloor) / (expected + rippleFloor)) / spread;
    // As with volts, no reading weighs more than an outlier would cost.
    log += Math.max(-0.5 * z * z, Math.log(outlier)) - Math.log(spread);
  }
  return log;
}

/**
 * Ranks the faults of a dictionary by what was measured.
 *
 * Each fault predicts the readings with a covariance: every resistor's tolerance through its
 * sensitivity at that fault's own operating point, and the meter's error.
 *
 * @throws Error when a node is not there
 */
export function rankFaults(dictionary: Dictionary, readings: StageReadings): Ranking {
  const { system, entries, healthy } = dictionary;
  const read = [...readings.volts].map(([node, volts]) => {
    const at = system.indexOf(node);
    if (at === undefined)
      throw new Error(
        `there is no node "${node}"; there are ${system.nodes.filter((one) => !one.includes(':')).join(', ')}`,
      );
    return { node, at, volts };
  });
  const weights = entries.map(({ fault }) => weightOf(fault));
  const sumOfWeights = sum(weights);
  const byVolts = entries.map((entry) => logLikelihood(dictionary, entry, read, readings));
  const fits = entries.map(({ fault }, index) => byVolts[index]! + logOfRipple(readings, fault));
  const soundByVolts = logLikelihood(dictionary, { change: unchanged(system), point: healthy }, read, readings);
  const soundFit = soundByVolts + logOfRipple(readings, undefined);
  const logs = fits.map((fit, index) => Math.log(weights[index]!) + fit);
  const none = Math.log(sumOfWeights * brokenAsOften) + soundFit;
  const most = Math.max(...logs);
  const shares = logs.map((log) => Math.exp(log - most));
  const all = sum(shares);
  const groups = groupsOf(entries, read, readings);
  return {
    faults: entries
      .map(({ fault }, index) => ({
        fault,
        probability: shares[index]! / all,
        advantage: fits[index]! - soundFit,
        group: groups[index]!,
      }))
      .sort((a, b) => b.probability - a.probability),
    nothing: 1 / (1 + all * Math.exp(most - none)),
    sound: soundFit,
    unexplained: read.length > 0 && Math.max(soundByVolts, ...byVolts) < logOfOutliers(read) + explains,
  };
}

interface Read {
  readonly node: string;
  readonly at: number;
  readonly volts: number;
}

/** An entry, or the circuit as it should be. */
type State = Omit<DictionaryEntry, 'fault'> & Partial<Pick<DictionaryEntry, 'fault'>>;

function logLikelihood(
  dictionary: Dictionary,
  state: State,
  read: readonly Read[],
  { ripples, sources, junctions, moves }: StageReadings,
): number {
  const covariance = covarianceAt(
    dictionary,
    state,
    read.map(({ at }) => at),
    { sources, junctions, moves },
  );
  const off = Float64Array.from(read, ({ node, at, volts }) => {
    const own = ripples?.get(state.fault)?.get(node);
    if (own) return volts - own.mean;
    // A fault that was not run through time moves as the whole circuit does.
    const usual = ripples?.get(undefined)?.get(node);
    return volts - state.point[at]! - (usual ? usual.mean - dictionary.healthy[at]! : 0);
  });
  const slipped = read.map((_, out) => {
    const [left, among] = leftOut(off, covariance, out);
    return gaussianLog(left, among) + Math.log(slip / anywhere(read[out]!));
  });
  const logs = [gaussianLog(off, covariance), ...(read.length >= fewestForSlip ? slipped : [])];
  const most = Math.max(...logs);
  const mixed = most + Math.log(sumOf(logs, (log) => Math.exp(log - most)));
  // No reading weighs more than an outlier would cost.
  return Math.max(mixed, logOfOutliers(read));
}

/** How likely some readings are where none of them says anything of the circuit, as a logarithm. */
const logOfOutliers = (read: readonly Read[]): number =>
  read.length * Math.log(outlier) - sumOf(read, (one) => Math.log(anywhere(one)));

/** Chance that one of some readings is a slip of the hand; with fewer readings than so many nobody could say which. */
const slip = 0.01;
const fewestForSlip = 3;

/** The span over which a reading that says nothing may lie, in volts. */
const anywhere = ({ volts }: Read): number => Math.abs(volts) + 1;

/** Deviations and their covariance without one of the readings. */
function leftOut(off: Float64Array, covariance: Float64Array, out: number): [Float64Array, Float64Array] {
  const n = off.length;
  const kept = [...off.keys()].filter((i) => i !== out);
  return [
    Float64Array.from(kept, (i) => off[i]!),
    Float64Array.from(kept.flatMap((i) => kept.map((j) => covariance[i * n + j]!))),
  ];
}

/** What of readings goes into how far they may be off. */
type Spreading = Pick<StageReadings, 'sources' | 'junctions' | 'moves'>;

/** Covariance of readings under a fault, row by row, in volts squared. */
export function covarianceAt(
  { system, reduced, healthy }: Dictionary,
  { fault, point, change }: State,
  read: readonly number[],
  { sources = new Map(), junctions = 0, moves = [] }: Spreading = {},
): Float64Array {
  const broken = fault && fault.mode !== 'short' ? fault.ref.toLowerCase() : undefined;
  const n = read.length;
  const covariance = new Float64Array(n * n);
  read.forEach((at, i) => {
    const isDead = fault && Math.abs(point[at]!) < dead.below * Math.abs(healthy[at]!);
    const floating = isDead ? dead.spread * healthy[at]! : 0;
    covariance[i * n + i] = (meterSpread * point[at]!) ** 2 + meterFloor ** 2 + floating ** 2;
  });
  const rows = read.map(() => new Float64Array(system.size + 1));
  if (!reduced?.transfers(change, point, read, rows)) transfersInFull(system, change, point, read, rows);
  const moved = new Float64Array(n);
  for (const { name, a, b, siemens } of system.resistors) {
    if (name.includes(':')) continue;
    const own = name === broken ? siemens + change.siemens : siemens;
    const amperes = own * (point[a]! - point[b]!);
    if (Math.abs(amperes) < 1e-12) continue;
    const spread = name === broken && fault?.mode === 'value' ? driftSpread : partSpread;
    for (let i = 0; i < n; i += 1) moved[i] = amperes * spread * (rows[i]![a]! - rows[i]![b]!);
    for (let i = 0; i < n; i += 1) for (let j = 0; j < n; j += 1) covariance[i * n + j]! += moved[i]! * moved[j]!;
  }
  const emitters = new Set(
    junctions > 0
      ? system.circuit.elements.flatMap((one) => (one.kind === 'q' ? [system.indexOf(one.nodes[2])!] : []))
      : [],
  );
  read.forEach((at, i) => {
    if (emitters.has(at)) covariance[i * n + i]! += junctions ** 2;
  });
  for (const element of system.circuit.elements) {
    const spread = element.kind === 'v' ? sources.get(element.nodes[0]) : undefined;
    if (spread === undefined) continue;
    const branch = system.branches.get(element.name)!;
    for (let i = 0; i < n; i += 1) moved[i] = spread * rows[i]![branch]!;
    for (let i = 0; i < n; i += 1) for (let j = 0; j < n; j += 1) covariance[i * n + j]! += moved[i]! * moved[j]!;
  }
  // Known of the sound circuit: what stands at a share of its volts moves by that share.
  const shares = read.map((at) => Math.min(1, Math.abs(point[at]! / (healthy[at]! || Infinity))));
  for (const move of moves) {
    for (let i = 0; i < n; i += 1) moved[i] = (move.get(system.nodes[read[i]!]!) ?? 0) * shares[i]!;
    for (let i = 0; i < n; i += 1) for (let j = 0; j < n; j += 1) covariance[i * n + j]! += moved[i]! * moved[j]!;
  }
  return covariance;
}

/**
 * How far each node of a sound circuit may read from where it stands, a standard deviation in volts: parts within their
 * tolerance, the meter, and what else may be off.
 */
export function soundSpreads(
  system: System,
  healthy: Float64Array,
  moves: readonly Moves[],
): ReadonlyMap<string, Volts> {
  const state = { change: unchanged(system), point: healthy };
  const places = system.nodes.flatMap((node, at) => (node.includes(':') ? [] : [at]));
  const covariance = covarianceAt({ system, reduced: undefined, healthy, entries: [] }, state, places, { moves });
  return new Map(places.map((at, i) => [system.nodes[at]!, Math.sqrt(covariance[i * places.length + i]!)]));
}

/** As `Reduced.transfers`, from the whole equations. */
function transfersInFull(
  system: System,
  change: Change,
  point: Float64Array,
  read: readonly number[],
  into: readonly Float64Array[],
): void {
  const x = point.slice();
  system.hold(point, change);
  system.assemble(x, { supply: 1, shunt: 0, change });
  read.forEach((at, r) => {
    const row = into[r]!;
    row.fill(0);
    if (at === system.ground) return;
    row[at] = 1;
    system.equations.solveTransposed(row);
  });
}

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

/** Ripples within this ratio of each other are one to a meter. */
const rippleAlike = 1.3;

/** Numbers the groups of faults that are alike in everything read: volts at every node, ripple where it was read. */
function groupsOf(
  entries: readonly DictionaryEntry[],
  read: readonly Read[],
  { ripple, ripples }: StageReadings,
): number[] {
  const rippling = ripple && ripples ? [...ripple.keys()] : [];
  const movesAlike = (one: CircuitFault, other: CircuitFault) => {
    const [own, others] = [ripples?.get(one), ripples?.get(other)];
    if (!own || !others) return own === others;
    return rippling.every((node) => {
      const ratio = ((own.get(node)?.ripple ?? 0) + rippleFloor) / ((others.get(node)?.ripple ?? 0) + rippleFloor);
      return ratio < rippleAlike && ratio > 1 / rippleAlike;
    });
  };
  const leaders: number[] = [];
  return entries.map(({ point, fault }, index) => {
    const group = leaders.findIndex(
      (leader) =>
        read.every(({ at }) => {
          const [one, other] = [point[at]!, entries[leader]!.point[at]!];
          return Math.abs(one - other) <= Math.max(alike.share * Math.abs(other), alike.volts);
        }) &&
        (rippling.length === 0 || movesAlike(fault, entries[leader]!.fault)),
    );
    if (group >= 0) return group;
    leaders.push(index);
    return leaders.length - 1;
  });
}
