import { faultModes } from '../../parts';
import { choice } from '../expectation';
import { type ChoiceWay } from '../way';
import { oneOf } from './oneOf';

export const press: ChoiceWay = {
  kind: 'choice',
  title: 'press and tap',
  words: ['press'],
  example: 'answers',
  state: 'live',
  miss: 0.2,
  ofPlace: true,
  findsIntermittents: true,
  onceOnly: true,
  choices: () => ['answers', 'nothing'],
  /** Joints, latches and cracks answer to a touch. */
  ofParts(parts, miss) {
    const touchy = parts.some(({ fault }) => fault && (fault.appears === 'sometimes' || faultModes[fault.mode].touchy));
    return touchy ? choice(['answers', 1 - miss], ['nothing', miss]) : choice(['answers', 0.02], ['nothing', 0.98]);
  },
  read: (words, asked) =>
    oneOf(words, asked, { answers: 'answers', yes: 'answers', nothing: 'nothing', no: 'nothing' }),
};
