import { type JobStep } from '@/core/job';

/** Where somebody new to it is on the way: taking a set in, or at a job’s step. */
export type WayStep = 'taking in' | JobStep;

interface WayWords {
  /** From 1. */
  readonly at: number;
  readonly title: string;
  readonly words: string;
}

const probe: WayWords = {
  at: 2,
  title: 'Probe what the card names',
  words:
    'The card says where the leads go, what a good set gives, and what has to be done to the set first: ⏎ when that is ' +
    'done. Then type what you read and press ⏎. A meter that is connected is read by Alt M, or the one of the demo.',
};

const close: WayWords = {
  at: 5,
  title: 'Close it',
  words:
    'Close has written the note from the record: put right what it cannot know, then Ctrl ⏎. The next set that fails ' +
    'alike is found by it, and counts on it. That is the whole way; this guide ends here.',
};

/** What comes next at each step of a first job. */
export const way: Readonly<Record<WayStep, WayWords>> = {
  'taking in': {
    at: 1,
    title: 'Take it in',
    words:
      'Say what it is, on the left, and press the picture that it shows. A make that is on no list is one of “any make”. ' +
      'Then Ctrl ⏎ puts it on the bench.',
  },
  'taken in': probe,
  'first look': probe,
  measuring: {
    at: 3,
    title: 'Go on until it says what to do',
    words:
      'Each reading is judged; on the right stand the suspects, and from which reading. Any other point, part or picture can be ' +
      'typed by its name. When the card says “Act now”, ⏎ on the empty line opens Repair, and Ctrl ⏎ there records what was done.',
  },
  repaired: {
    at: 4,
    title: 'Prove it',
    words:
      'Whatever was wrong is measured once more and stands beside what it was. Power on, the lamp first where you have ' +
      'one; ⏎ on the empty line goes to Repair, which asks for one reading after the other.',
  },
  verified: close,
  soaking: close,
  closed: close,
};

/** How many steps the way has. */
export const waySteps = Math.max(...Object.values(way).map(({ at }) => at));
