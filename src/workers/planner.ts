import { proxy } from 'comlink';
import { type DeeperLook } from '@/core/diagnosis';
import { type Sheet } from '@/core/sheet';
import { Latest } from './latest';
import { type PlannerWorker, type PlanRequest } from './planner.worker';

/** Longest a look may take, in milliseconds. */
const budget = 2500;

/** Looks ahead in a worker; a new request cancels the one that is under way. */
export class Planner {
  private readonly latest: Latest<PlannerWorker>;

  constructor(sheet: Sheet) {
    this.latest = new Latest<PlannerWorker>(
      () => new Worker(new URL('./planner.worker.ts', import.meta.url)),
      (remote) => void remote.open(sheet),
    );
  }

  /** Starts a look. A worker that fails leaves the one-step advice standing, which is all that was promised. */
  look(request: PlanRequest, onLook: (look: DeeperLook) => void, onDone: () => void): void {
    this.latest.ask(
      (remote, wanted) =>
        remote.look(
          request,
          budget,
          proxy((look: DeeperLook) => wanted() && onLook(look)),
        ),
      onDone,
    );
  }

  close(): void {
    this.latest.close();
  }
}
