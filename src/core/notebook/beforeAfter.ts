import { type Case, verificationOf } from '../diagnosis';
import { answerText } from '../reading';

/** A reading that was wrong, before and after the work. */
export interface BeforeAfter {
  readonly title: string;
  readonly before: string;
  readonly after: string;
  /** Whether it is right now. */
  readonly right: boolean;
}

/** What was wrong and was read again, in the owner’s order: as it was measured. */
export function beforeAfter(job: Case): BeforeAfter[] {
  const { checks } = job.predictions;
  return verificationOf(job).flatMap(({ check: id, before, after, afterVerdict }) => {
    const check = checks.get(id)!;
    return after
      ? [
          {
            title: check.measure === 'picture' ? 'Picture' : check.title,
            before: answerText(check, before.answer),
            after: answerText(check, after.answer),
            right: afterVerdict?.mark === 'within',
          },
        ]
      : [];
  });
}
