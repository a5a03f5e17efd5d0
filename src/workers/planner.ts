import { proxy, type Remote, wrap } from 'comlink';
import { type DeeperLook } from '@/core/diagnosis';
import { type Sheet } from '@/core/sheet';
import { type PlannerWorker, type PlanRequest } from './planner.worker';

/** Longest a look may take, in milliseconds. */
const budget = 2500;

/** Looks ahead in a worker; a new request cancels the one that is under way. */
export class Planner {
  private worker: Worker | undefined;
  private remote: Remote<PlannerWorker> | undefined;
  private busy = false;

  constructor(private readonly sheet: Sheet) {}

  /** Starts a look. What is still under way is given up, its worker with it. */
  look(request: PlanRequest, onLook: (look: DeeperLook) => void, onDone: () => void): void {
    if (this.busy) this.close();
    if (!this.worker) {
      this.worker = new Worker(new URL('./planner.worker.ts', import.meta.url));
      this.remote = wrap<PlannerWorker>(this.worker);
      void this.remote.open(this.sheet);
    }
    const { remote, worker } = this;
    this.busy = true;
    const still = (look: DeeperLook) => {
      if (this.worker === worker) onLook(look);
    };
    // A worker that fails leaves the one-step advice standing, which is all that was promised.
    void remote!
      .look(request, budget, proxy(still))
      .catch(() => undefined)
      .finally(() => {
        if (this.worker !== worker) return;
        this.busy = false;
        onDone();
      });
  }

  close(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.remote = undefined;
    this.busy = false;
  }
}
