import { esrLimit } from '../../parts';
import { formatQuantity } from '../../quantity';
import { number, settled } from '../expectation';
import { type MeasuredPart, type NumberWay } from '../way';

/** The most ESR that passes for a part, from its value. */
const most = ({ size, voltage, series }: MeasuredPart) => esrLimit(size ?? 100e-6, voltage ?? 35, series);

export const esr: NumberWay = {
  kind: 'number',
  title: 'ESR',
  words: ['esr'],
  example: '0.3',
  unit: 'Ω',
  instrument: 'ESR tester',
  scale: 'log',
  state: 'cold',
  ground: 'none',
  miss: 0.01,
  positive: true,
  ofPart(part, mode) {
    const limit = most(part);
    if (mode === 'dry') return number('log', settled(limit * 8, 0.22));
    if (mode === 'open') return number('log', settled(Infinity, 0.2));
    if (mode === 'short') return number('log', settled(0.02, 0.2));
    return number('log', settled(limit * 0.45, 0.14));
  },
  partLimits: (part) => ({ deadBelow: 0.005, lowBelow: 0.005, highAbove: most(part) }),
  dead: 'none at all: read ohms or volts',
  multiple: true,
  expected: ({ highAbove }) => `under ${formatQuantity(highAbove, 'Ω', 2)}`,
  beyondRange: 'open',
};
