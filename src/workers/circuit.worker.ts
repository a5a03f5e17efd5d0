import { expose } from 'comlink';
import {
  runStage,
  Stage,
  StageJudge,
  type StageRead,
  type StageRun,
  type StageRunRequest,
  type StageVerdict,
} from '@/core/circuit';

/** The stage asked about last, with what was worked out of it. */
let kept: StageJudge | undefined;

const stages = {
  rank(text: string, read: StageRead, onProgress: (done: number, all: number) => void): StageVerdict {
    if (kept?.stage.text !== text) kept = new StageJudge(Stage.open(text), onProgress);
    return kept.rank(read);
  },
  run: (text: string, request: StageRunRequest): StageRun => runStage(Stage.open(text), request),
};

export type CircuitWorker = typeof stages;
expose(stages);
