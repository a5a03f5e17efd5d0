import { choice } from '../expectation';
import { type ChoiceWay } from '../way';
import { oneOf } from './oneOf';

export const swap: ChoiceWay = {
  kind: 'choice',
  title: 'try',
  words: ['try'],
  example: 'same',
  state: 'live',
  miss: 0.01,
  onceOnly: true,
  choices: () => ['cured', 'same'],
  ofParts: (parts) =>
    parts.some(({ fault }) => fault)
      ? choice(['cured', 0.98], ['same', 0.02])
      : choice(['cured', 0.01], ['same', 0.99]),
  read: (words, asked) => oneOf(words, asked, { cured: 'cured', yes: 'cured', same: 'same', no: 'same' }),
};
