import { number, settled } from '../expectation';
import { type NumberWay } from '../way';

/** A good winding, where the sheet says nothing. */
const usual = 12;

export const rings: NumberWay = {
  kind: 'number',
  title: 'ring count',
  words: ['rings'],
  example: '4',
  unit: '',
  instrument: 'ring tester',
  scale: 'linear',
  state: 'cold',
  ground: 'none',
  miss: 0.01,
  ofPart: ({ given = usual }, mode) => number('linear', settled(mode === 'short' ? 2 : given, 1.2)),
  partLimits: (_, nominal) => ({ deadBelow: 0.5, lowBelow: 0.65 * nominal, highAbove: Infinity }),
  dead: 'no ring: a shorted turn',
  expected: ({ lowBelow }) => `${Math.ceil(lowBelow)} or more`,
};
