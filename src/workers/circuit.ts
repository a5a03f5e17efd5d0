import { type Remote, wrap } from 'comlink';
import { type CircuitWorker, type StageSuspect } from './circuit.worker';

export { type StageSuspect } from './circuit.worker';

/** Ranks the faults of a stage in a worker; a new question cancels the one that is under way. */
export class StageRanker {
  private worker: Worker | undefined;
  private remote: Remote<CircuitWorker> | undefined;
  private busy = false;

  rank(text: string, readings: ReadonlyMap<string, number>, onDone: (suspects: readonly StageSuspect[]) => void): void {
    if (this.busy) this.close();
    if (!this.worker) {
      this.worker = new Worker(new URL('./circuit.worker.ts', import.meta.url));
      this.remote = wrap<CircuitWorker>(this.worker);
    }
    const { worker } = this;
    this.busy = true;
    void this.remote!.rank(text, readings).then(
      (suspects) => {
        if (this.worker !== worker) return;
        this.busy = false;
        onDone(suspects);
      },
      () => {
        if (this.worker === worker) this.busy = false;
      },
    );
  }

  close(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.remote = undefined;
    this.busy = false;
  }
}
