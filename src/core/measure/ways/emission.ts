import { number, settled } from '../expectation';
import { type NumberWay } from '../way';

/** Emission of a gun against that of a good one, as a share: worn ones give less, new ones sometimes more. */
export const emission: NumberWay = {
  kind: 'number',
  title: 'emission against a good gun',
  words: ['emits'],
  example: '0.8',
  unit: '',
  instrument: 'tube tester',
  scale: 'linear',
  state: 'cold',
  ground: 'none',
  miss: 0.01,
  positive: true,
  ofPart: ({ given = 1 }, mode) => number('linear', settled((mode === 'worn' ? 0.4 : 1) * given, 0.12)),
  partLimits: (_, nominal) => ({ deadBelow: 0.05 * nominal, lowBelow: 0.65 * nominal, highAbove: Infinity }),
  dead: 'no emission',
  expected: ({ lowBelow }) => `${Number(lowBelow.toFixed(2))} or more`,
};
