import { expose } from 'comlink';
import { type Predictions, predictionsOf } from '@/core/behaviour';
import {
  type Briefing,
  briefingOf,
  type Case,
  type DeeperLook,
  lookDeeper,
  type Outlook,
  outlookOf,
} from '@/core/diagnosis';
import { type LogEntry, replay } from '@/core/log';
import { Halted } from '@/core/plan';
import { type Sheet } from '@/core/sheet';

/** What is told of a set before anything was measured. */
export type ComplaintRequest = Pick<Case, 'complaint' | 'closed' | 'hourlyRate'>;

/** A case in a form that can be sent to a worker. */
export interface AdviceRequest extends ComplaintRequest {
  readonly entries: readonly LogEntry[];
}

let predictions: Predictions;

const caseOf = ({ entries, ...told }: AdviceRequest): Case => ({
  ...told,
  predictions,
  bench: replay(entries, [...predictions.model.sheet.stores.keys()]),
});

const advisor = {
  /** Sets the sheet that all requests are about. */
  open(sheet: Sheet): void {
    predictions = predictionsOf(sheet);
  },
  outlook: (request: ComplaintRequest): Outlook => outlookOf({ ...request, predictions }),
  brief: (request: AdviceRequest): Briefing => briefingOf(caseOf(request)),
  /** The furthest look ahead that `budget` milliseconds allow; undefined where there is nothing to look at. */
  look(request: AdviceRequest, budget: number): DeeperLook | undefined {
    const until = performance.now() + budget;
    let furthest: DeeperLook | undefined;
    try {
      for (const look of lookDeeper(caseOf(request), () => performance.now() > until)) furthest = look;
    } catch (error) {
      if (!(error instanceof Halted)) throw error;
    }
    return furthest;
  },
};

export type AdvisorWorker = typeof advisor;
expose(advisor);
