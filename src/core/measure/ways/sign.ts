import { Refusal } from '../../quantity';
import { choice } from '../expectation';
import { type SignState, signStates } from '../netState';
import { type ChoiceWay } from '../way';

/** Other words for the answers. */
const words: Readonly<Record<string, SignState>> = {
  y: 'yes',
  n: 'no',
  none: 'no',
  steady: 'yes',
  gone: 'brief',
  faint: 'weak',
};

export const sign: ChoiceWay = {
  kind: 'choice',
  title: 'watch and listen',
  words: [],
  example: 'yes',
  state: 'live',
  miss: 0,
  choices: () => ['yes', 'weak', 'brief', 'no'],
  ofSet: ({ sign: state }) => choice([state ?? 'no', 1]),
  read(typed, { title }) {
    const word = typed[0]!.toLowerCase();
    const state = signStates.find((one) => one === (words[word] ?? word));
    if (!state) throw new Refusal(`${title} is answered with yes, weak, brief or no, not "${typed.join(' ')}"`);
    return { kind: 'choice', choice: state };
  },
};
