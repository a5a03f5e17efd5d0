import { NoConvergence, type Change, System, type Run, transient } from '../solve';
import { type Analysis, dried } from '../netlist';
import { type Dictionary } from './dictionary';
import { type CircuitFault } from './faults';

/** What a meter shows of a node that moves, in volts: its mean, and its ripple peak to peak. */
export interface Moving {
  readonly mean: number;
  readonly ripple: number;
}

/** Nodes of the whole circuit as they move (under undefined), and under the faults that change how they do. */
export type Ripples = ReadonlyMap<CircuitFault | undefined, ReadonlyMap<string, Moving>>;

export type OverTime = Extract<Analysis, { kind: 'tran' }>;

/** Share of a run, at its end, in which it is taken to repeat itself. */
const settledShare = 0.4;

/** Mean and ripple of each node over the settled end of a run. */
function movingIn({ seconds, volts }: Run): ReadonlyMap<string, Moving> {
  const from = seconds[seconds.length - 1]! * (1 - settledShare);
  const first = Math.max(
    1,
    seconds.findIndex((time) => time >= from),
  );
  return new Map(
    [...volts].map(([node, values]) => {
      let [low, high, area] = [Infinity, -Infinity, 0];
      for (let at = first; at < values.length; at += 1) {
        low = Math.min(low, values[at]!);
        high = Math.max(high, values[at]!);
        area += ((values[at]! + values[at - 1]!) / 2) * (seconds[at]! - seconds[at - 1]!);
      }
      return [node, { mean: area / (seconds[seconds.length - 1]! - seconds[first - 1]!), ripple: high - low }];
    }),
  );
}

/** A circuit run through time with one fault, dried-out capacitors among them. */
export function runWith(
  system: System,
  analysis: OverTime,
  nodes: readonly string[],
  { fault, change }: { readonly fault: CircuitFault; readonly change: Change },
): Run {
  return fault.mode === 'dry'
    ? transient(new System(dried(system.circuit, fault.ref)), analysis, nodes)
    : transient(system, analysis, nodes, change);
}

/** Faults whose ripple is worth a run through time: capacitors that dry out, diodes that rectify. */
const changesRipple = ({ ref, mode }: CircuitFault): boolean =>
  mode === 'dry' || (/^(.*\.)?d/i.test(ref) && (mode === 'open' || mode === 'short'));

/** Runs a circuit and its faults of ripple through time. Faults whose run fails are left out. */
export function ripplesOf(
  { system, entries }: Dictionary,
  analysis: OverTime,
  nodes: readonly string[],
  onProgress?: (done: number, all: number) => void,
): Ripples {
  const found = new Map<CircuitFault | undefined, ReadonlyMap<string, Moving>>([
    [undefined, movingIn(transient(system, analysis, nodes))],
  ]);
  const worth = entries.filter(({ fault }) => changesRipple(fault));
  worth.forEach((entry, index) => {
    try {
      found.set(entry.fault, movingIn(runWith(system, analysis, nodes, entry)));
    } catch (error) {
      if (!(error instanceof NoConvergence)) throw error;
    }
    onProgress?.(index + 1, worth.length);
  });
  return found;
}
