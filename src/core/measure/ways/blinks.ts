import { Refusal } from '../../quantity';
import { choice } from '../expectation';
import { type ChoiceWay } from '../way';

/** More than this no code has. */
const most = 60;

export const blinks: ChoiceWay = {
  kind: 'choice',
  title: 'count the blinks',
  words: [],
  example: '4',
  state: 'live',
  miss: 0,
  choices: () => [],
  ofSet: ({ blinks: count }) => choice([String(count), 1]),
  read(words) {
    const count = Number(words[0]);
    if (words.length !== 1 || !Number.isInteger(count) || count < 0 || count > most)
      throw new Refusal(`count the blinks in whole numbers, like "blinks 4", not "${words.join(' ')}"`);
    return { kind: 'choice', choice: String(count) };
  },
};
