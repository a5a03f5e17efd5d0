import { type Case, verificationOf, verified } from '../diagnosis';

/** What somebody new to it does next on the way of a job. */
export interface GuideStep {
  /** From 1. */
  readonly at: number;
  readonly title: string;
  readonly words: string;
}

/** The steps of the way, from taking in to closing. */
export const guideSteps = 5;

/** The first step, before there is a job. */
export const takingIn: GuideStep = {
  at: 1,
  title: 'Take it in',
  words:
    'Say what it is, on the left, and press the picture that it shows. A make that is on no list is one of “any make”. Then ' +
    'Ctrl ⏎ puts it on the bench.',
};

/** Where a job stands on the way, by its record. */
export function guideStep(job: Case): GuideStep {
  const { bench } = job;
  if (bench.repairs.length > 0) {
    return verified(verificationOf(job))
      ? {
          at: 5,
          title: 'Close it',
          words:
            'Close has written the note from the record: put right what it cannot know, then Ctrl ⏎. The next set that fails ' +
            'alike is found by it, and counts on it. That is the whole way; this guide ends here.',
        }
      : {
          at: 4,
          title: 'Prove it',
          words:
            'Whatever was wrong is measured once more and stands beside what it was. Power on, the lamp first where you have ' +
            'one; ⏎ on the empty line goes to Repair, which asks for one reading after the other.',
        };
  }
  if (bench.readings.length === 0)
    return {
      at: 2,
      title: 'Probe what the card names',
      words:
        'The card says where the leads go, what a good set gives, and what has to be done to the set first: ⏎ when that is ' +
        'done. Then type what you read and press ⏎. A meter that is connected is read by Alt M, or the one of the demo.',
    };
  return {
    at: 3,
    title: 'Go on until it says what to do',
    words:
      'Each reading is judged; on the right stand the suspects, and from which reading. Any other point, part or picture can be ' +
      'typed by its name. When the card says “Act now”, ⏎ on the empty line opens Repair, and Ctrl ⏎ there records what was done.',
  };
}
