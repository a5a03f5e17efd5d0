import { type NumberWay } from '../way';
import { voltsOfNet, withinTolerance } from './volts';

export const dc: NumberWay = {
  kind: 'number',
  title: 'DC volts',
  words: ['dc'],
  example: '12.1',
  unit: 'V',
  instrument: 'multimeter',
  scale: 'linear',
  state: 'live',
  ground: 'chassis',
  miss: 0.01,
  ofNet: voltsOfNet,
  netLimits: withinTolerance,
  swept: ({ mean }) => mean,
};
