import { Refusal } from '../../quantity';
import { type LinearSystem } from './linearSystem';
import { type Change, type Reactive, type System } from './system';

/** The equations could not be solved; the message names the node that would not settle. */
export class NoConvergence extends Refusal {
  override readonly name = 'NoConvergence';
}

const relative = 1e-6;
const absolute = { volts: 1e-7, amperes: 1e-11 };

/** How a solution is looked for. */
export interface Search {
  readonly change?: Change;
  /** Where to start; from nothing where absent. */
  readonly from?: Float64Array;
  /** Volts to start from, by node, where some are guessed. */
  readonly guessed?: ReadonlyMap<string, number>;
}

/** Equations that can be written down around a point, as they stand in a pose. */
export interface Equations<Pose> {
  readonly equations: LinearSystem;
  readonly size: number;
  /** Unknowns that are voltages come first, currents after them. */
  readonly voltages: number;
  readonly holding: boolean;
  /** Without devices one turn is the solution. */
  readonly linear: boolean;
  assemble(x: Float64Array, pose: Pose): number;
}

/**
 * Newton's iteration in place.
 *
 * @param first turn from which on it may settle: 1 where `x` is a turn from its start already
 * @returns the iterations it took, or -1 where it did not settle
 */
export function newton<Pose>(system: Equations<Pose>, x: Float64Array, pose: Pose, most: number, first = 2): number {
  const { equations, size, voltages } = system;
  for (let turn = 1; turn <= most; turn += 1) {
    if (system.assemble(x, pose) >= 0) return -1;
    const next = equations.right;
    equations.solve(next);
    let settled = !system.holding;
    for (let i = 0; i < size; i += 1) {
      const value = next[i]!;
      if (!Number.isFinite(value)) return -1;
      const tolerance = relative * Math.abs(value) + (i < voltages ? absolute.volts : absolute.amperes);
      if (settled && Math.abs(value - x[i]!) > tolerance) settled = false;
      x[i] = value;
    }
    if (system.linear || (settled && turn >= first)) return turn;
  }
  return -1;
}

const mostIterations = 80;
const smallestShunt = 1e-12;

/**
 * The direct-current operating point: Newton's iteration, then with shunts at every node that are
 * taken away by steps, then with supplies that rise by steps (Nagel 1975).
 *
 * @returns node voltages, then branch currents, in the order of the system
 * @throws NoConvergence
 */
export function operatingPoint(system: System, { change, from, guessed }: Search = {}): Float64Array {
  if (guessed && guessed.size > 0) {
    const found = nearGuess(system, guessed);
    if (found) return found;
  }
  const x = new Float64Array(system.size + 1);
  if (from) x.set(from);
  // A leg that comes off keeps the voltage it had at first.
  if (change?.leg) x[change.b] = x[change.a]!;
  system.hold(from && x, change);
  if (newton(system, x, { supply: 1, shunt: 0, change }, mostIterations) > 0) return x;
  return byShunts(system, change) ?? byRise(system, change) ?? fail(system, x);
}

/** What a guess is first held to its node with, in siemens. */
const guessHold = 1;

/** First with the guessed nodes held near their volts, then from there without. */
function nearGuess(system: System, guessed: ReadonlyMap<string, number>): Float64Array | undefined {
  const held: Reactive = {
    stamp(equations) {
      for (const [node, volts] of guessed) {
        const at = system.indexOf(node)!;
        equations.add(at, at, guessHold);
        equations.right[at]! += guessHold * volts;
      }
    },
  };
  const x = new Float64Array(system.size + 1);
  system.hold();
  if (newton(system, x, { supply: 1, shunt: 0, reactive: held }, mostIterations) < 0) return undefined;
  system.hold(x);
  return newton(system, x, { supply: 1, shunt: 0 }, mostIterations) > 0 ? x : undefined;
}

/** The operating point that a slow common rise of all supplies leads to. */
export function risenPoint(system: System, change?: Change): Float64Array {
  return byRise(system, change) ?? operatingPoint(system, change ? { change } : {});
}

function byShunts(system: System, change: Change | undefined): Float64Array | undefined {
  const x = new Float64Array(system.size + 1);
  const kept = x.slice();
  system.hold(undefined, change);
  let shunt = 1e-2;
  let step = 10;
  let started = false;
  for (let tries = 0; tries < 120; tries += 1) {
    if (newton(system, x, { supply: 1, shunt, change }, mostIterations) > 0) {
      if (shunt === 0) return x;
      kept.set(x);
      started = true;
      step = Math.min(10, step * 1.5);
      shunt = shunt / step < smallestShunt ? 0 : shunt / step;
    } else {
      if (!started && shunt > 1e3) return undefined;
      if (!started) shunt *= 100;
      else {
        const last = shunt === 0 ? smallestShunt : shunt * step;
        step = Math.sqrt(step);
        if (step < 1.001) return undefined;
        shunt = last / step;
      }
      x.set(kept);
      system.hold(started ? kept : undefined, change);
    }
  }
  return undefined;
}

function byRise(system: System, change: Change | undefined): Float64Array | undefined {
  const x = new Float64Array(system.size + 1);
  const kept = x.slice();
  system.hold(x, change);
  let reached = 0;
  let step = 0.02;
  for (let tries = 0; tries < 600; tries += 1) {
    const supply = Math.min(1, reached + step);
    if (newton(system, x, { supply, shunt: 0, change }, 30) > 0) {
      if (supply === 1) return x;
      kept.set(x);
      reached = supply;
      step = Math.min(0.05, step * 1.6);
    } else {
      step /= 4;
      if (step < 1e-7) return undefined;
      x.set(kept);
      system.hold(kept, change);
    }
  }
  return undefined;
}

function fail(system: System, x: Float64Array): never {
  let worst = 0;
  for (let node = 0; node < system.nodes.length; node += 1)
    if (!(Math.abs(x[node]!) <= Math.abs(x[worst]!))) worst = node;
  throw new NoConvergence(`no operating point was found; node "${system.nodes[worst] ?? '?'}" would not settle`);
}
