import { proxy } from 'comlink';
import { type StageRead, type StageRun, type StageRunRequest, type StageVerdict } from '@/core/circuit';
import { type CircuitWorker } from './circuit.worker';
import { Latest } from './latest';

const start = () => new Worker(new URL('./circuit.worker.ts', import.meta.url));

/** Ranks the faults of a stage in a worker; a new question cancels the one that is under way. */
export class StageRanker {
  private readonly latest = new Latest<CircuitWorker>(start);

  rank(
    text: string,
    readings: StageRead,
    on: { readonly progress: (share: number) => void; readonly done: (verdict: StageVerdict) => void },
  ): void {
    this.latest.ask(
      (remote, wanted) =>
        remote.rank(
          text,
          readings,
          proxy((done: number, all: number) => wanted() && on.progress(done / all)),
        ),
      (verdict) => verdict && on.done(verdict),
    );
  }

  close(): void {
    this.latest.close();
  }
}

/** Runs a stage through time in a worker; a new question cancels the one that is under way. */
export class StageRunner {
  private readonly latest = new Latest<CircuitWorker>(start);

  /** @param onDone told the runs in the order asked for, or undefined where one did not settle */
  run(
    text: string,
    requests: readonly StageRunRequest[],
    onDone: (runs: readonly StageRun[] | undefined) => void,
  ): void {
    this.latest.ask(async (remote) => {
      const runs: StageRun[] = [];
      for (const request of requests) runs.push(await remote.run(text, request));
      return runs;
    }, onDone);
  }

  close(): void {
    this.latest.close();
  }
}
