import { proxy } from 'comlink';
import { type CircuitWorker, type StageVerdict } from './circuit.worker';
import { Latest } from './latest';

export { type StageSuspect, type StageVerdict } from './circuit.worker';

/** Ranks the faults of a stage in a worker; a new question cancels the one that is under way. */
export class StageRanker {
  private readonly latest = new Latest<CircuitWorker>(
    () => new Worker(new URL('./circuit.worker.ts', import.meta.url)),
  );

  rank(
    text: string,
    readings: ReadonlyMap<string, number>,
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
