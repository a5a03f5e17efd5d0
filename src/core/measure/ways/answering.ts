import { type ChoiceWay } from '../way';
import { oneOf } from './oneOf';

/** How what was done to a place is answered: something answers to it, or nothing does. */
export const answering = {
  example: 'answers',
  choices: () => ['answers', 'nothing'],
  read: (words, asked) =>
    oneOf(words, asked, { answers: 'answers', yes: 'answers', nothing: 'nothing', no: 'nothing' }),
} as const satisfies Pick<ChoiceWay, 'example' | 'choices' | 'read'>;
