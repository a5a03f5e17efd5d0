import { expose } from 'comlink';
import {
  checkCircuit,
  type CircuitFault,
  type DictionaryEntry,
  dictionaryOf,
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

/** The dictionary of the netlist asked about last. */
let kept: { text: string; system: System; dictionary: DictionaryEntry[] } | undefined;

const told = 8;

const stages = {
  /** The faults that explain the readings best, likeliest first. */
  rank(text: string, readings: ReadonlyMap<string, number>): StageSuspect[] {
    if (kept?.text !== text) {
      const circuit = readNetlist(text);
      checkCircuit(circuit);
      const system = new System(circuit);
      kept = { text, system, dictionary: dictionaryOf(system, operatingPoint(system)) };
    }
    const { system, dictionary } = kept;
    const points = new Map(dictionary.map(({ fault, point }) => [fault, point]));
    return rankFaults(system, dictionary, readings)
      .slice(0, told)
      .map(({ fault, probability, group }) => ({
        fault,
        probability,
        group,
        volts: new Map(
          system.nodes.flatMap((node, at) => (node.includes(':') ? [] : [[node, points.get(fault)![at]!] as const])),
        ),
      }));
  },
};

export type CircuitWorker = typeof stages;

expose(stages);
