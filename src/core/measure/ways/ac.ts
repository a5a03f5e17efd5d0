import { type NumberWay } from '../way';
import { dc } from './dc';

export const ac: NumberWay = { ...dc, title: 'AC volts', words: ['ac'], swept: ({ rms }) => rms };
