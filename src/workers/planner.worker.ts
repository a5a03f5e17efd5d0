import { type LogEntry, replay } from '@/core/log';
import { expose } from 'comlink';
import { compileSheet, Predictions } from '@/core/behaviour';
import { type Case, type DeeperLook, lookDeeper } from '@/core/diagnosis';
import { Halted } from '@/core/plan';
import { type Sheet } from '@/core/sheet';

/** A case in a form that can be sent to a worker. */
export interface PlanRequest extends Pick<Case, 'complaint' | 'closed' | 'hourlyRate'> {
  readonly entries: readonly LogEntry[];
}

let predictions: Predictions | undefined;

const planner = {
  /** Sets the sheet that later looks are about. */
  open(sheet: Sheet): void {
    predictions = new Predictions(compileSheet(sheet));
  },

  /**
   * Looks ahead as far as the time allows.
   *
   * @param budget milliseconds
   * @param onLook told of each better look
   */
  look(request: PlanRequest, budget: number, onLook: (look: DeeperLook) => void): void {
    if (!predictions) return;
    const bench = replay(request.entries, [...predictions.model.sheet.stores.keys()]);
    const until = performance.now() + budget;
    try {
      for (const look of lookDeeper({ ...request, predictions, bench }, () => performance.now() > until)) onLook(look);
    } catch (error) {
      if (!(error instanceof Halted)) throw error;
    }
  },
};

export type PlannerWorker = typeof planner;

expose(planner);
