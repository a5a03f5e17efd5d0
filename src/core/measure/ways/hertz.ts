import { number, settled } from '../expectation';
import { deadRatio } from '../netState';
import { type NumberWay } from '../way';
import { deadSigma, withinTolerance } from './volts';

export const hertz: NumberWay = {
  kind: 'number',
  title: 'frequency',
  words: ['hz'],
  example: '15.6k',
  unit: 'Hz',
  instrument: 'sampler',
  scale: 'linear',
  state: 'live',
  ground: 'chassis',
  miss: 0.01,
  ofNet({ nominal, turning, state, reached }) {
    if (!reached) return number('linear', settled(0, deadSigma(nominal)));
    // What turns reports its speed; an oscillator runs at its own or not at all.
    const speed = turning ? state.ratio : 1;
    const sigma = nominal * (speed < 1 ? 0.08 : 0.01);
    return number('linear', settled(state.ratio >= deadRatio ? nominal * speed : 0, sigma));
  },
  netLimits: withinTolerance,
  dead: 'not running',
  swept: ({ hertz: found }) => found ?? 0,
};
