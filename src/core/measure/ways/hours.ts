import { number, settled } from '../expectation';
import { type NumberWay } from '../way';

/** Hours of a lamp that has some life left, where the sheet says nothing. */
const usual = 900;
/** Spread of hours from set to set, in decades. */
const spread = 0.25;

/** Hours of a counter. Few are never a fault; many are age. */
export const hours: NumberWay = {
  kind: 'number',
  title: 'hours counted',
  words: ['lamphours'],
  example: '1200',
  unit: '',
  instrument: 'counter',
  scale: 'log',
  state: 'cold',
  ground: 'none',
  miss: 0.01,
  positive: true,
  ofPart: ({ given = usual }, mode) => number('log', settled(mode === 'worn' ? 4 * given : given, spread)),
  partLimits: (_, nominal) => ({ deadBelow: 0, lowBelow: 0, highAbove: 2.5 * nominal }),
  dead: 'none counted',
  multiple: true,
  expected: ({ highAbove }) => `up to ${Math.round(highAbove)} h`,
};
