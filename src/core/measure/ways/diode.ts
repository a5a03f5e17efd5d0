import { partKinds } from '../../parts';
import { formatQuantity } from '../../quantity';
import { number, settled } from '../expectation';
import { type NumberWay } from '../way';

/** A chip is read through its clamp diodes. */
const clamp = 0.5;
/** Less than this is no junction, in volts: it is shorted. */
export const shortedDrop = 0.08;

export const diode: NumberWay = {
  kind: 'number',
  title: 'diode drop',
  words: ['diode'],
  example: '0.52',
  unit: 'V',
  instrument: 'junction tester',
  scale: 'linear',
  state: 'cold',
  ground: 'none',
  miss: 0.01,
  ofPart({ kind }, mode) {
    if (mode === 'short') return number('linear', settled(0.01, 0.02));
    if (mode === 'open') return number('linear', settled(Infinity, 0.05));
    if (mode === 'leaky') return number('linear', settled(0.22, 0.06));
    return number('linear', settled(partKinds[kind].drop ?? clamp, 0.04));
  },
  partLimits: (_, nominal) => ({ deadBelow: shortedDrop, lowBelow: nominal - 0.17, highAbove: nominal + 0.25 }),
  dead: 'shorted',
  expected: ({ nominal }) => `about ${formatQuantity(nominal, 'V', 2)}`,
  beyondRange: 'open',
};
