import { type Check, type Context } from '../behaviour';
import { type Case } from '../diagnosis';
import { changesMade, type TakenReading } from '../log';
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
          verdict: judgeAnswer(predictions, check, reading.answer, reading.context),
          said: answerText(check, reading.answer),
          circumstances: circumstancesOf(reading.context),
          corrected: reading.entry.supersedes !== undefined,
        },
      ];
    })
    .reverse();
}
