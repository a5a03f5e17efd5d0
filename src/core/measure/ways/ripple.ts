import { formatQuantity } from '../../quantity';
import { number, settled } from '../expectation';
import { deadRatio } from '../netState';
import { type NumberWay } from '../way';
import { deadSigma } from './volts';

/** Share of a rail that its ripple makes up: of a good one, of one whose capacitor is spent, and at most. */
const shares = { good: 0.006, bad: 0.09, most: 0.025 };

export const ripple: NumberWay = {
  kind: 'number',
  title: 'AC ripple on DC',
  words: ['ripple'],
  example: '12.1',
  unit: 'V',
  instrument: 'sampler',
  scale: 'linear',
  state: 'live',
  ground: 'chassis',
  miss: 0.01,
  ofNet({ nominal, volts, state, reached }) {
    if (!reached) return number('linear', settled(0, deadSigma(nominal)));
    const size = Math.abs(volts) * (state.ratio < deadRatio ? 0 : 1);
    const share = state.rippled ? shares.bad : shares.good;
    return number('linear', settled(share * size, 0.3 * share * size + 0.001 * Math.abs(volts)));
  },
  netLimits: ({ volts }) => ({ deadBelow: 0, lowBelow: 0, highAbove: shares.most * Math.abs(volts) }),
  multiple: true,
  expected: ({ highAbove }) => `under ${formatQuantity(highAbove, 'V', 2)}`,
  swept: ({ peakToPeak }) => peakToPeak,
};
