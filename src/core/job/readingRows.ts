import { type Check, type Context, contextKey, type Predictions } from '../behaviour';
import { type Case } from '../diagnosis';
import { changesMade, type TakenReading } from '../log';
import { type Answer } from '../measure';
import { answerText, judgeAnswer, type Judgement } from '../reading';

/** A line of the readings list. */
export interface ReadingRow {
  readonly reading: TakenReading;
  readonly check: Check;
  readonly verdict: Judgement;
  readonly said: string;
  /** Circumstances that differ from a plain one: `CN802 pulled`, `warm`. */
  readonly circumstances: string;
  readonly corrected: boolean;
}

function circumstancesOf(context: Context): string {
  return [...changesMade(context), ...(context.warm ? ['warm'] : []), ...(context.lamp ? ['lamp in'] : [])].join(', ');
}

type Judged = Pick<ReadingRow, 'verdict' | 'said' | 'circumstances'>;

/** Of each answer in a log, how it was last judged: the log is replayed at every line, and its lines stay the same. */
const judgedBefore = new WeakMap<Answer, { by: Predictions; check: Check; in: string; judged: Judged }>();

function judgedOnce(predictions: Predictions, check: Check, answer: Answer, context: Context): Judged {
  const before = judgedBefore.get(answer);
  const key = contextKey(context);
  if (before?.by === predictions && before.check === check && before.in === key) return before.judged;
  const judged = {
    verdict: judgeAnswer(predictions, check, answer, context),
    said: answerText(check, answer),
    circumstances: circumstancesOf(context),
  };
  judgedBefore.set(answer, { by: predictions, check, in: key, judged });
  return judged;
}

/** The readings of a job, the newest first. */
export function readingRows({ predictions, bench }: Case): ReadingRow[] {
  return bench.readings
    .flatMap((reading): ReadingRow[] => {
      const check = predictions.checks.get(reading.check);
      if (!check) return [];
      return [
        {
          reading,
          check,
          ...judgedOnce(predictions, check, reading.answer, reading.context),
          corrected: reading.entry.supersedes !== undefined,
        },
      ];
    })
    .reverse();
}
