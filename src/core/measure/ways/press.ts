import { faultModes } from '../../parts';
import { choice } from '../expectation';
import { type ChoiceWay } from '../way';
import { answering } from './answering';

export const press: ChoiceWay = {
  kind: 'choice',
  title: 'press and tap',
  words: ['press'],
  ...answering,
  state: 'live',
  miss: 0.2,
  ofPlace: true,
  findsIntermittents: true,
  onceOnly: true,
  /** Joints, latches and cracks answer to a touch. */
  ofParts(parts, miss) {
    const touchy = parts.some(({ fault }) => fault && (fault.appears === 'sometimes' || faultModes[fault.mode].touchy));
    return touchy ? choice(['answers', 1 - miss], ['nothing', miss]) : choice(['answers', 0.02], ['nothing', 0.98]);
  },
};
