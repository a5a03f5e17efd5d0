import { expose } from 'comlink';
import {
  changeFor,
  checkCircuit,
  type CircuitFault,
  type Dictionary,
  dictionaryOf,
  type NextReading,
  nextReadings,
  NoConvergence,
  operatingPoint,
  type OverTime,
  rankFaults,
  readNetlist,
  type Ripples,
  ripplesOf,
  runWith,
  scaled,
  System,
  transient,
} from '@/core/circuit';

/** A suspected fault of a stage with the voltages it would bring. */
export interface StageSuspect {
  readonly fault: CircuitFault;
  readonly probability: number;
  readonly group: number;
  /** Volts by node. */
  readonly volts: ReadonlyMap<string, number>;
}

/** What the readings of a stage come to. */
export interface StageVerdict {
  readonly suspects: readonly StageSuspect[];
  /** Chance that every part is within its tolerance. */
  readonly nothing: number;
  readonly next: readonly NextReading[];
}

/** A stage over time: node voltages at moments evenly apart. */
export interface StageRun {
  readonly seconds: readonly number[];
  readonly volts: ReadonlyMap<string, readonly number[]>;
}

/** What is run through time: the stage as it should be, with a fault, or with values turned. */
export interface StageRunRequest {
  readonly text: string;
  readonly nodes: readonly string[];
  readonly fault?: CircuitFault | undefined;
  readonly factors: ReadonlyMap<string, number>;
  readonly parameters: ReadonlyMap<string, number>;
  /** Seconds before the end to show; the whole run where absent. */
  readonly last?: number | undefined;
}

/** What was read of a stage, volts and volts of ripple by node. */
export interface StageRead {
  readonly volts: ReadonlyMap<string, number>;
  readonly ripple: ReadonlyMap<string, number>;
}

/** The netlist asked about last, with what was worked out of it. */
let kept: { text: string; dictionary: Dictionary; ripples?: Ripples | undefined } | undefined;

const told = { suspects: 24, next: 4 };
/** Faults between two reports of how far the dictionary is. */
const reportEvery = 20;
/** Moments a run is shown at. */
const moments = 600;

function opened(text: string, onProgress: (done: number, all: number) => void) {
  if (kept?.text !== text) {
    const circuit = readNetlist(text);
    checkCircuit(circuit);
    const system = new System(circuit);
    const dictionary = dictionaryOf(system, operatingPoint(system), {
      onProgress: (done, all) => done % reportEvery === 0 && onProgress(done, all),
    });
    kept = { text, dictionary };
  }
  return kept;
}

const overTimeOf = ({ circuit }: System): OverTime | undefined => circuit.analyses.find((one) => one.kind === 'tran');

/** A stage that does not run through time is judged by its volts alone. */
function ripplesWhereItRuns(
  dictionary: Dictionary,
  analysis: OverTime,
  onProgress: (done: number, all: number) => void,
): Ripples | undefined {
  try {
    return ripplesOf(dictionary, analysis, nodesOf(dictionary.system), onProgress);
  } catch (error) {
    if (error instanceof NoConvergence) return undefined;
    throw error;
  }
}

const nodesOf = (system: System) => system.nodes.filter((node) => !node.includes(':'));

const stages = {
  /** The faults that explain the readings best, likeliest first, and what to measure next. */
  rank(text: string, { volts, ripple }: StageRead, onProgress: (done: number, all: number) => void): StageVerdict {
    const stage = opened(text, onProgress);
    const { dictionary } = stage;
    const analysis = overTimeOf(dictionary.system);
    if (analysis) stage.ripples ??= ripplesWhereItRuns(dictionary, analysis, onProgress);
    const { system, entries } = dictionary;
    const points = new Map(entries.map(({ fault, point }) => [fault, point]));
    const ranking = rankFaults(dictionary, {
      volts,
      ripple,
      ...(stage.ripples ? { ripples: stage.ripples } : {}),
    });
    return {
      nothing: ranking.nothing,
      next: nextReadings(dictionary, ranking, volts).slice(0, told.next),
      suspects: ranking.faults.slice(0, told.suspects).map(({ fault, probability, group }) => ({
        fault,
        probability,
        group,
        volts: system.voltsAt(points.get(fault)!),
      })),
    };
  },

  /** Runs a stage through time. */
  run({ text, nodes, fault, factors, parameters, last }: StageRunRequest): StageRun {
    const system = new System(scaled(readNetlist(text, parameters), factors));
    const analysis = overTimeOf(system)!;
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
    return {
      seconds: times,
      volts: new Map(
        [...volts].map(([node, values]) => [
          node,
          places.map(({ next: at, share }) => values[at - 1]! + share * (values[at]! - values[at - 1]!)),
        ]),
      ),
    };
  },
};

export type CircuitWorker = typeof stages;

expose(stages);
