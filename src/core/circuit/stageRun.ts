import { changeFor, type CircuitFault, runWith } from './faults';
import { System, transient } from './solve';
import { type Stage, type Turned } from './stage';

/** A stage over time: node voltages at moments evenly apart. */
export interface StageRun {
  readonly seconds: readonly number[];
  readonly volts: ReadonlyMap<string, readonly number[]>;
}

/** What is run through time: the stage as it should be, with a fault, or with values turned. */
export interface StageRunRequest extends Turned {
  readonly nodes: readonly string[];
  readonly fault?: CircuitFault | undefined;
  /** Seconds before the end to show; the whole run where absent. */
  readonly last?: number | undefined;
}

/** Moments a run is shown at. */
const moments = 600;

/**
 * Runs a stage through time.
 *
 * @throws Refusal where it does not settle, or its netlist asks for no run
 */
export function runStage(stage: Stage, { nodes, fault, last, ...turned }: StageRunRequest): StageRun {
  const system = new System(stage.turned(turned));
  const analysis = stage.overTime!;
  const { seconds, volts } = fault
    ? runWith(system, analysis, nodes, { fault, change: changeFor(system, fault) })
    : transient(system, analysis, nodes);
  const to = seconds[seconds.length - 1]!;
  const from = last === undefined ? seconds[0]! : Math.max(seconds[0]!, to - last);
  const step = (to - from) / (moments - 1);
  const times = Array.from({ length: moments }, (_, index) => from + index * step);
  let next = 1;
  const places = times.map((time) => {
    while (next < seconds.length - 1 && seconds[next]! < time) next += 1;
    return { next, share: (time - seconds[next - 1]!) / (seconds[next]! - seconds[next - 1]! || 1) };
  });
  const between = (values: readonly number[]) =>
    places.map(({ next: at, share }) => values[at - 1]! + share * (values[at]! - values[at - 1]!));
  return { seconds: times, volts: new Map([...volts].map(([node, values]) => [node, between(values)])) };
}
