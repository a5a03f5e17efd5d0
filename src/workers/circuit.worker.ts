import { expose } from 'comlink';
import {
  checkCircuit,
  type CircuitFault,
  type Dictionary,
  dictionaryOf,
  type NextReading,
  nextReadings,
  operatingPoint,
  rankFaults,
  readNetlist,
  System,
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

/** The dictionary of the netlist asked about last. */
let kept: { text: string; dictionary: Dictionary } | undefined;

const told = { suspects: 24, next: 4 };
/** Faults between two reports of how far the dictionary is. */
const reportEvery = 20;

const stages = {
  /** The faults that explain the readings best, likeliest first, and what to measure next. */
  rank(
    text: string,
    readings: ReadonlyMap<string, number>,
    onProgress: (done: number, all: number) => void,
  ): StageVerdict {
    if (kept?.text !== text) {
      const circuit = readNetlist(text);
      checkCircuit(circuit);
      const system = new System(circuit);
      const dictionary = dictionaryOf(system, operatingPoint(system), {
        onProgress: (done, all) => done % reportEvery === 0 && onProgress(done, all),
      });
      kept = { text, dictionary };
    }
    const { dictionary } = kept;
    const { system, entries } = dictionary;
    const points = new Map(entries.map(({ fault, point }) => [fault, point]));
    const ranking = rankFaults(dictionary, readings);
    return {
      nothing: ranking.nothing,
      next: nextReadings(dictionary, ranking, readings).slice(0, told.next),
      suspects: ranking.faults.slice(0, told.suspects).map(({ fault, probability, group }) => ({
        fault,
        probability,
        group,
        volts: system.voltsAt(points.get(fault)!),
      })),
    };
  },
};

export type CircuitWorker = typeof stages;

expose(stages);
