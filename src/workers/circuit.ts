import { type CircuitWorker, type StageSuspect } from './circuit.worker';
import { Latest } from './latest';

export { type StageSuspect } from './circuit.worker';

/** Ranks the faults of a stage in a worker; a new question cancels the one that is under way. */
export class StageRanker {
  private readonly latest = new Latest<CircuitWorker>(
    () => new Worker(new URL('./circuit.worker.ts', import.meta.url)),
  );

  rank(text: string, readings: ReadonlyMap<string, number>, onDone: (suspects: readonly StageSuspect[]) => void): void {
    this.latest.ask(
      (remote) => remote.rank(text, readings),
      (suspects) => suspects && onDone(suspects),
    );
  }

  close(): void {
    this.latest.close();
  }
}
