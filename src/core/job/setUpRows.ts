import { type Case } from '../diagnosis';
import { answerText, expectedText, judgeAnswer, type Judgement } from '../reading';
import { type SetUpStep } from '../sheet';

/** A step of setting up, with what its point should read and read last. */
export interface SetUpRow {
  readonly step: SetUpStep;
  readonly expected: string | undefined;
  readonly read: { readonly said: string; readonly verdict: Judgement } | undefined;
}

/** The steps in the maker's order, each with the latest reading of its point since the last repair. */
export function setUpRows({ predictions, bench }: Case): SetUpRow[] {
  return predictions.model.sheet.setUp.map((step): SetUpRow => {
    const check = step.point === undefined ? undefined : predictions.checks.get(step.point);
    if (!check) return { step, expected: undefined, read: undefined };
    const last = bench.latest.get(check.id);
    return {
      step,
      expected: expectedText(predictions, check, { ...bench.context, power: 'live' }),
      read: last && {
        said: answerText(check, last.answer),
        verdict: judgeAnswer(predictions, check, last.answer, last.context),
      },
    };
  });
}
