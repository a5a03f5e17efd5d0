import { attempt, Refusal } from '../quantity';
import {
  type CircuitFault,
  type Dictionary,
  type Moves,
  type NextReading,
  nextReadings,
  rankFaults,
  type Ripples,
  ripplesOf,
} from './faults';
import { type Stage } from './stage';

/** What was read of a stage: volts, and volts of ripple peak to peak, by node. */
export interface StageRead {
  readonly volts: ReadonlyMap<string, number>;
  readonly ripple: ReadonlyMap<string, number>;
  /** What may be off beside parts within their tolerance. */
  readonly moves?: readonly Moves[];
}

/** A suspected fault of a stage with the voltages it would bring. */
export interface StageSuspect {
  readonly fault: CircuitFault;
  readonly probability: number;
  /** Faults of one group no reading so far tells apart. */
  readonly group: number;
  /** Volts by node. */
  readonly volts: ReadonlyMap<string, number>;
}

/** What the readings of a stage come to. */
export interface StageVerdict {
  /** Likeliest first; none where no one part explains what was read. */
  readonly suspects: readonly StageSuspect[];
  /** Chance that every part is within its tolerance. */
  readonly nothing: number;
  /** Neither that nor any one part explains the volts that were read. */
  readonly unexplained: boolean;
  readonly next: readonly NextReading[];
}

const told = { suspects: 24, next: 4 };
/** Faults between two reports of how far the dictionary is. */
const reportEvery = 20;

/** A stage with every fault of it worked out, to be judged by readings as they come. */
export class StageJudge {
  private readonly dictionary: Dictionary;
  private readonly ripples: Ripples | undefined;

  /** @param onProgress told now and then how many faults are done, of how many */
  constructor(
    readonly stage: Stage,
    onProgress: (done: number, all: number) => void,
  ) {
    this.dictionary = stage.dictionary((done, all) => done % reportEvery === 0 && onProgress(done, all));
    const { overTime } = stage;
    // A stage that does not settle through time is judged by its volts alone.
    const ripples = overTime && attempt(() => ripplesOf(this.dictionary, overTime, stage.nodes, onProgress));
    this.ripples = ripples instanceof Refusal ? undefined : ripples;
  }

  /** The faults that explain the readings best, likeliest first, and what to measure next. */
  rank({ volts, ripple, moves = [] }: StageRead): StageVerdict {
    const { dictionary, ripples } = this;
    const { system, entries } = dictionary;
    const points = new Map(entries.map(({ fault, point }) => [fault, point]));
    const ranking = rankFaults(dictionary, { volts, ripple, moves, ...(ripples ? { ripples } : {}) });
    return {
      nothing: ranking.nothing,
      unexplained: ranking.unexplained,
      next: nextReadings(dictionary, ranking, volts).slice(0, told.next),
      suspects: (ranking.unexplained ? [] : ranking.faults.slice(0, told.suspects)).map(
        ({ fault, probability, group }) => ({
          fault,
          probability,
          group,
          volts: system.voltsAt(points.get(fault)!),
        }),
      ),
    };
  }
}
